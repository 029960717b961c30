using YokePair.Cli;

return args switch
{
    ["analyse", var path] => Analyse.Run(path, Console.OpenStandardOutput(), Console.Error),
    ["schema"] => Schema.Write(Console.Out),
    _ => Usage(),
};

static int Usage()
{
    Console.Error.WriteLine("usage: yoke analyse FILE    report on a plan file as JSON; exit code 0 sound, 1 gaps or single points, 2 unreadable");
    return Analyse.Unreadable;
}
