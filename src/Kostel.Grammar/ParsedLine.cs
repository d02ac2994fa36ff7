namespace Kostel.Grammar;

/// <summary>What the process answers for a sentence, a line of JSON; "null" where it has no answer.</summary>
/// <param name="Skipped">Words left out.</param>
/// <param name="Cost">Of the reading.</param>
/// <param name="Tree">In brackets.</param>
internal sealed record ParsedLine(int Skipped, double Cost, string Tree);
