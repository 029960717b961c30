namespace YokePair.Core.Plans;

/// <summary>One thing wrong with a plan, said so that its owner can mend it.</summary>
/// <param name="Field">Path of the field, e.g. <c>items[3].focal</c>; empty for the file as a whole.</param>
/// <param name="Message">What is wrong and what would be right.</param>
/// <param name="Line">Line in the file, counted from 1, where it is known.</param>
public sealed record PlanProblem(string Field, string Message, long? Line = null)
{
    /// <inheritdoc/>
    public override string ToString() =>
        (Line is { } line ? $"line {line}: " : "") + (Field.Length > 0 ? $"{Field}: " : "") + Message;
}

/// <summary>A plan, or what keeps it from being one.</summary>
/// <param name="Plan">The plan; null when it cannot be read.</param>
/// <param name="Problems">Empty when <paramref name="Plan"/> is set.</param>
public sealed record PlanReading(Plan? Plan, IReadOnlyList<PlanProblem> Problems);
