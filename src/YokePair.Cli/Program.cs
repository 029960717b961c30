using System.CommandLine;
using YokePair.Cli;

Argument<string> file = new("FILE") { Description = "A plan file, *.yoke.json." };
Command analyse = new("analyse", "Report on a plan file as JSON; exit code 0 sound, 1 gaps or single points, 2 unreadable.") { file };
analyse.SetAction(said => Analyse.Run(said.GetRequiredValue(file), Console.OpenStandardOutput(), Console.Error));

Command schema = new("schema", "The JSON Schema of plan files.");
schema.SetAction(_ => Console.Out.WriteLine(Schema.Text()));

Command columns = new("columns", "The columns of a locker's table, as a page of Markdown.");
columns.SetAction(_ => Console.Out.Write(Columns.Text()));

var parsed = new RootCommand("Yoke Pair on the command line.") { analyse, schema, columns }.Parse(args);
var code = parsed.Invoke();
// What was not understood is no verdict on a plan.
return parsed.Errors.Count > 0 ? Analyse.Unreadable : code;
