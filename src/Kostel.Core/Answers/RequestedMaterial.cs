using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>What somebody may ask for that is made of a lecture and is no answer out of it.</summary>
public enum StudyMaterial
{
    /// <summary>What it says, in short.</summary>
    Summary,

    /// <summary>Questions with their answers, to learn.</summary>
    Cards,

    /// <summary>Questions to be tested by.</summary>
    Quiz,
}

/// <summary>Tells a wish for study material from a question: "summarise the lecture", "give me ten flashcards", "quiz me".</summary>
public static class RequestedMaterial
{
    private static readonly Dictionary<string, StudyMaterial> Named = new()
    {
        ["summarise"] = StudyMaterial.Summary,
        ["summarize"] = StudyMaterial.Summary,
        ["summary"] = StudyMaterial.Summary,
        ["recap"] = StudyMaterial.Summary,
        ["overview"] = StudyMaterial.Summary,
        ["flashcard"] = StudyMaterial.Cards,
        ["flashcards"] = StudyMaterial.Cards,
        ["quiz"] = StudyMaterial.Quiz,
    };

    /// <summary>Of these a lecture has some.</summary>
    private static readonly HashSet<string> Points = ["points", "ideas", "facts", "messages"], Weighty = ["main", "key", "important"];

    /// <summary>Whoever says nothing else speaks of the whole lecture.</summary>
    private static readonly HashSet<string> OfAll =
    [
        .. """
        all briefly brief bullet chapter class content contents course create entire everything exam facts few full generate give half ideas important key lecture lectures line lines list main make made me messages minute minutes
        need page paragraph points quick recording sentence sentences short shortly show some test text today topic video want whole words write
        """.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries),
    ];

    /// <summary>What is wished for; null for a question.</summary>
    public static StudyMaterial? Of(string text)
    {
        var words = Tokens.Of(BareQuestion.Of(text)).Where(w => !NumberWords.IsNumber(w) && !char.IsDigit(w[0])).ToList();
        var named = words.Find(Named.ContainsKey);
        return words.Exists(w => !Named.ContainsKey(w) && !OfAll.Contains(w) && !StopWords.Contains(w)) ? null
            : named is not null ? Named[named]
            : words.Any(Points.Contains) && words.Any(Weighty.Contains) ? StudyMaterial.Summary
            : null;
    }
}
