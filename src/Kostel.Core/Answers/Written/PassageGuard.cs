using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Written;

/// <summary>Keeps sentences out of what a model is given that speak to a model and not to listeners: in a lecture they are a joke or a trap, and bear nothing out.</summary>
public static partial class PassageGuard
{
    /// <summary>Whether a sentence tries to tell a model what to do.</summary>
    public static bool Instructs(string sentence) => Orders().IsMatch(sentence) || Speaks().IsMatch(sentence);

    /// <summary>The sentences that are only said.</summary>
    public static IReadOnlyList<Sentence> Said(IEnumerable<Sentence> sentences) => sentences.Where(s => !Instructs(s.Text)).ToList();

    private const string Earlier = "previous|earlier|above|prior|other|these|those|your|all|any";
    private const string Things = "instructions?|rules?|prompts?|directions?|commands?|passages?";

    [GeneratedRegex($@"\b(?:ignore|disregard|forget|override|bypass|follow)\b[^.!?]*\b(?:(?:{Earlier}) )+(?:{Things})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Orders();

    private const string Models = "language model|assistant|chat ?bot|artificial intelligence|system prompt|system message";

    [GeneratedRegex($@"\b(?:you are|act as|if you are|dear|hello|note to(?: the)?|to any|attention)\b[^.!?]*\b(?:{Models})\b|\b(?:respond|reply|answer|output) (?:only )?with\b|\b(?:system|assistant)\s*:", RegexOptions.IgnoreCase)]
    private static partial Regex Speaks();
}
