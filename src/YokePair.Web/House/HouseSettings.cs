using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using YokePair.Data;

namespace YokePair.Web.House;

/// <summary>
/// Where phones in the house find the lists: <c>--house URL</c> with one of <c>--cert FILE</c>, <c>--behind URL</c> (one's own reverse proxy) and
/// <c>--plain true</c>. Without <c>--house</c> nothing of it is there.
/// </summary>
/// <param name="Listen">Where it listens.</param>
/// <param name="Hosts">Hosts it answers to, with their ports as browsers send them.</param>
/// <param name="Address">What a phone opens.</param>
/// <param name="Certificate">What HTTPS is spoken with; null = a proxy does, or nobody.</param>
/// <param name="IsPlain">Whether anyone on that network can read along.</param>
public sealed record HouseSettings(Uri Listen, IReadOnlySet<string> Hosts, Uri Address, X509Certificate2? Certificate, bool IsPlain)
{
    /// <summary>Whether what a phone sends comes through a proxy on this machine.</summary>
    public bool IsBehind { get; private init; }

    /// <summary>What is said of it at the start.</summary>
    public string Said => $"Phones that are let in find the lists at {new Uri(Address, "house")}" + (IsPlain
        ? " over plain HTTP: anyone on that network can read along, and each phone is let in for a day only." : ".");

    /// <summary>Reads it.</summary>
    /// <exception cref="DataFolderException">It is not safe, or not whole.</exception>
    public static HouseSettings? From(IConfiguration configuration)
    {
        if (configuration["house"] is not { } text) return null;
        if (!Uri.TryCreate(text, UriKind.Absolute, out var listen) || listen.Scheme is not ("http" or "https")
            || !IPAddress.TryParse(listen.Host, out var ip))
            throw Wrong($"\"{text}\" is no address to listen at; say --house https://0.0.0.0:5711");
        if (listen.Scheme == "https")
        {
            var file = configuration["cert"]
                ?? throw Wrong("HTTPS needs a certificate: say --cert FILE (PFX, or PEM with its key), or --behind URL for a proxy of your own");
            return Of(listen, ip, Read(file, configuration["cert-password"]), false);
        }
        if (configuration["behind"] is { } behind)
        {
            if (!Uri.TryCreate(behind, UriKind.Absolute, out var outside) || outside.Scheme != "https")
                throw Wrong($"\"{behind}\" is no https address of a proxy");
            if (!IPAddress.IsLoopback(ip))
                throw Wrong("behind a proxy it listens on this machine alone; say --house http://127.0.0.1:5711");
            return new HouseSettings(listen, new HashSet<string>(StringComparer.OrdinalIgnoreCase) { outside.Authority }, outside, null, false)
            {
                IsBehind = true,
            };
        }
        if (configuration["plain"] != "true")
            throw Wrong("over plain HTTP anyone on that network can read along and take a phone's place; say --plain true if that is all right "
                + "for a day, else --cert FILE or --behind URL");
        return Of(listen, ip, null, true);
    }

    private static HouseSettings Of(Uri listen, IPAddress ip, X509Certificate2? certificate, bool isPlain)
    {
        List<string> names = ip.Equals(IPAddress.Any) || ip.Equals(IPAddress.IPv6Any) ? [.. OwnAddresses(), Dns.GetHostName()] : [listen.Host];
        if (certificate?.GetNameInfo(X509NameType.DnsName, false) is { Length: > 0 } called) names.Insert(0, called);
        var hosts = names.Select(n => new UriBuilder(listen.Scheme, n, listen.Port).Uri).ToList();
        return new HouseSettings(listen, hosts.Select(h => h.Authority).ToHashSet(StringComparer.OrdinalIgnoreCase), hosts[0], certificate, isPlain);
    }

    private static IEnumerable<string> OwnAddresses() => NetworkInterface.GetAllNetworkInterfaces()
        .Where(n => n.OperationalStatus == OperationalStatus.Up && n.NetworkInterfaceType != NetworkInterfaceType.Loopback)
        .SelectMany(n => n.GetIPProperties().UnicastAddresses).Select(a => a.Address).Where(a => a.AddressFamily == AddressFamily.InterNetwork)
        .Select(a => a.ToString());

    private static X509Certificate2 Read(string file, string? password)
    {
        try
        {
            return Path.GetExtension(file) is ".pfx" or ".p12" ? X509CertificateLoader.LoadPkcs12FromFile(file, password)
                : X509Certificate2.CreateFromPemFile(file);
        }
        catch (Exception e) when (e is CryptographicException or IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException($"The certificate {file} cannot be used: {e.Message}", e);
        }
    }

    private static DataFolderException Wrong(string why) => new($"The house is not opened: {why}.");
}
