using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Written;

/// <summary>Keeps sentences out of what a model is given that speak to a model and not to listeners: in a lecture they are a joke or a trap, and bear nothing out.</summary>
public static partial class PassageGuard
{
    /// <summary>Whether a sentence tries to tell a model what to do.</summary>
    public static bool Instructs(string sentence) => Orders().IsMatch(sentence) || Speaks().IsMatch(sentence);

    /// <summary>The sentences that are only said, in runs between those that are not: nothing is quoted across these.</summary>
    public static IReadOnlyList<IReadOnlyList<Sentence>> Runs(IEnumerable<Sentence> sentences)
    {
        var runs = new List<IReadOnlyList<Sentence>>();
        var run = new List<Sentence>();
        foreach (var sentence in sentences)
        {
            if (!Instructs(sentence.Text))
            {
                run.Add(sentence);
            }
            else if (run.Count > 0)
            {
                runs.Add(run);
                run = [];
            }
        }

        return run.Count > 0 ? [.. runs, run] : runs;
    }

    private const string Earlier = "previous|earlier|above|prior|other|these|those|your|all|any";
    private const string Things = "instructions?|rules?|prompts?|directions?|commands?|passages?";

    [GeneratedRegex($@"\b(?:ignore|disregard|forget|override|bypass|follow)\b[^.!?]*\b(?:(?:{Earlier}) )+(?:{Things})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Orders();

    private const string Models = "language model|assistant|chat ?bot|artificial intelligence|system prompt|system message";

    private const string Addressing = "you are|act as|if you are|dear|hello|note to(?: the)?|to any|attention";

    private const string Demanding = @"\b(?:respond|reply|answer|output) (?:only )?with\b|\b(?:system|assistant)\s*:";

    [GeneratedRegex($@"\b(?:{Addressing})\b[^.!?]*\b(?:{Models})\b|{Demanding}", RegexOptions.IgnoreCase)]
    private static partial Regex Speaks();
}
