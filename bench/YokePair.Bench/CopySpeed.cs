using System.Diagnostics;
using YokePair.Data.Files;

namespace YokePair.Bench;

/// <summary>A card copied and read back by the program, against <c>cp</c> followed by <c>sha256sum</c> on the same files, in turns.</summary>
internal static class CopySpeed
{
    private const int Rounds = 5, Files = 40, Megabytes = 25;

    /// <summary>Share of the speed of the plain commands that is asked.</summary>
    private const double Asked = 0.8;

    public static int Measure()
    {
        var folder = Directory.CreateTempSubdirectory("yoke-copy-speed-").FullName;
        try
        {
            var card = Path.Combine(folder, "card");
            Directory.CreateDirectory(card);
            var content = new byte[Megabytes * 1_000_000];
            for (var n = 0; n < Files; n++)
            {
                new Random(n).NextBytes(content);
                File.WriteAllBytes(Path.Combine(card, $"P{n:0000}.RAW"), content);
            }
            var ratios = new List<double>();
            for (var round = 0; round < Rounds; round++)
            {
                var plain = Seconds(() => Shell($"cp -r '{card}' '{folder}/plain{round}' && cd '{folder}/plain{round}' && sha256sum * > /dev/null"));
                var own = Seconds(() => Copied(new CopyWork(card, [folder], $"own{round}")));
                ratios.Add(plain / own);
                Console.WriteLine(FormattableString.Invariant(
                    $"{Files * Megabytes / 1000.0:0.0} GB: cp and sha256sum {plain:0.00} s, copied and read back {own:0.00} s: {ratios[^1]:0.00} as fast"));
                Directory.Delete(Path.Combine(folder, $"plain{round}"), recursive: true);
                Directory.Delete(Path.Combine(folder, $"own{round}"), recursive: true);
            }
            ratios.Sort();
            Console.WriteLine(FormattableString.Invariant($"median {ratios[Rounds / 2]:0.00}, {Asked:0.00} asked"));
            return ratios[Rounds / 2] >= Asked ? 0 : 1;
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static void Copied(CopyWork work)
    {
        if (!new Copier(TimeProvider.System).Run(work, _ => { }, CancellationToken.None).IsWhole) throw new InvalidOperationException("The copy is not whole.");
    }

    private static double Seconds(Action what)
    {
        var clock = Stopwatch.StartNew();
        what();
        return clock.Elapsed.TotalSeconds;
    }

    private static void Shell(string command)
    {
        using var shell = Process.Start("bash", ["-c", command]);
        shell.WaitForExit();
        if (shell.ExitCode != 0) throw new InvalidOperationException($"\"{command}\" failed.");
    }
}
