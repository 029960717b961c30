using System.CommandLine;
using YokePair.Cli;
using YokePair.Data;

Argument<string> file = new("FILE") { Description = "A plan file, *.yoke.json." };
Command analyse = new("analyse", "Report on a plan file as JSON; exit code 0 sound, 1 gaps or single points, 2 unreadable.") { file };
analyse.SetAction(said => Analyse.Run(said.GetRequiredValue(file), Console.OpenStandardOutput(), Console.Error));

Command schema = new("schema", "The JSON Schema of plan files.");
schema.SetAction(_ => Console.Out.WriteLine(Schema.Text()));

Command columns = new("columns", "The columns of a locker's table, as a page of Markdown.");
columns.SetAction(_ => Console.Out.Write(Columns.Text()));

Option<string> data = new("--data") { Description = "The data folder; without it the one of ./yoke run.", DefaultValueFactory = _ => DataFolder.Default };
Argument<string?> folder = new("DIR") { Description = "Where the copy goes; without it beside the data.", Arity = ArgumentArity.ZeroOrOne };
Command backup = new("backup", "A copy of the database, looked through, also while the program runs.") { folder, data };
backup.SetAction(said => Copies.Make(said.GetRequiredValue(data), said.GetValue(folder)));

Argument<string> copy = new("FILE") { Description = "A copy, *.db." };
Command restore = new("restore", "A copy in the place of the database; what was there is kept.") { copy, data };
restore.SetAction(said => Copies.Restore(said.GetRequiredValue(data), said.GetRequiredValue(copy)));

Argument<string> from = new("FOLDER") { Description = "What is copied: a card." };
Argument<string[]> into = new("INTO") { Description = "Folders that a bag goes into: drives.", Arity = ArgumentArity.OneOrMore };
Option<string?> named = new("--name") { Description = "Name of the bag; without it that of the folder." };
Command copyCard = new("copy", "A card copied into bags and read back; exit code 0 all safe, 1 not.") { from, into, named };
copyCard.SetAction(said => CardCopy.Make(said.GetRequiredValue(from), said.GetRequiredValue(into), said.GetValue(named)));

Argument<string> bag = new("BAG") { Description = "A folder that was copied to." };
Command verify = new("verify", "A bag read again; exit code 0 all as it was, 1 not.") { bag };
verify.SetAction(said => CardCopy.Make(said.GetRequiredValue(bag), [], null));

var parsed = new RootCommand("Yoke Pair on the command line.") { analyse, schema, columns, backup, restore, copyCard, verify }.Parse(args);
var code = parsed.Invoke();
// What was not understood is no verdict on a plan.
return parsed.Errors.Count > 0 ? Analyse.Unreadable : code;
