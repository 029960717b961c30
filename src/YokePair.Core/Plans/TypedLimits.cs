namespace YokePair.Core.Plans;

/// <summary>How much is read of what is typed or pasted at once: more than anybody writes, and little enough to be read at once.</summary>
public static class TypedLimits
{
    /// <summary>Most letters of a line.</summary>
    public const int LineLetters = 300;

    /// <summary>Most lines.</summary>
    public const int Lines = 1000;

    /// <summary>What is wrong with a line for its length or its number; null where it can be read.</summary>
    /// <param name="field">The field it is typed into.</param>
    /// <param name="line">The line.</param>
    /// <param name="number">Its number, from 1.</param>
    public static PlanProblem? Beyond(string field, string line, int number) =>
        number > Lines ? new PlanProblem(field, $"from here on it is not read; at most {Lines} lines at once", number)
        : line.Length > LineLetters ? new PlanProblem(
            field, $"\"{line[..30]}…\" has {line.Length} letters; at most {LineLetters} are read of a line, so begin a new one", number)
        : null;
}
