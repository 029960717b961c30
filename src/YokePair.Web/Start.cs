using System.Net;
using System.Net.Sockets;
using YokePair.Data;

namespace YokePair.Web;

/// <summary>What must be so before the program begins; what is not is told in one sentence with what to do, and nothing is touched.</summary>
internal static class Start
{
    /// <summary>Exit code of a program that could not start.</summary>
    public const int Failed = 1;

    /// <summary>Looks at the page and the ports.</summary>
    /// <exception cref="DataFolderException">Something is not as it must be.</exception>
    public static void Check(IWebHostEnvironment host, string urls)
    {
        if (host.WebRootPath is { } root && !File.Exists(Path.Combine(root, "index.html")))
            throw new DataFolderException($"The page was not built ({root} has no index.html); start with ./yoke run, or build it with npm run build in web.");
        foreach (var url in urls.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
            if (Uri.TryCreate(url, UriKind.Absolute, out var address) && IPAddress.TryParse(address.Host, out var ip) && address.Port > 0)
                CheckPort(ip, address.Port);
    }

    private static void CheckPort(IPAddress ip, int port)
    {
        using var probe = new Socket(ip.AddressFamily, SocketType.Stream, ProtocolType.Tcp);
        try
        {
            probe.Bind(new IPEndPoint(ip, port));
        }
        catch (SocketException e)
        {
            throw new DataFolderException(
                $"Port {port} is taken, maybe by a Yoke Pair that runs already: open http://{ip}:{port}, or start with --urls http://{ip}:{port + 1}.", e);
        }
    }
}
