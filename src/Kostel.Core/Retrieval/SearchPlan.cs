using Kostel.Core.Text;

namespace Kostel.Core.Retrieval;

/// <summary>What is taken for a word that was looked for.</summary>
public enum Taken
{
    /// <summary>The word itself, in any form.</summary>
    AsWritten,

    /// <summary>It occurs nowhere; words that are spelled nearly so do.</summary>
    SpelledAlike,

    /// <summary>Words that sound like it, because it may have been misheard.</summary>
    SoundingAlike,
}

/// <summary>A part of a query with all that is found for it.</summary>
/// <param name="Asked">What was looked for.</param>
/// <param name="Alternatives">Each a word or the words of a phrase; one of them must stand in a text.</param>
/// <param name="IsExact">Nothing else is to be taken for it.</param>
public sealed record PlannedTerm(string Asked, IReadOnlyList<IReadOnlyList<string>> Alternatives, Taken How, bool IsExact = false);

/// <summary>A query in the words of the library.</summary>
public sealed record SearchPlan(IReadOnlyList<PlannedTerm> Terms)
{
    /// <summary>A word that stands in fewer texts may have been misheard elsewhere.</summary>
    private const int Rare = 3;

    /// <summary>The words as they were written, in all their forms; those that occur nowhere by what is spelled alike.</summary>
    public static SearchPlan Of(SearchQuery query, SearchVocabulary vocabulary) => new(query.Terms.Select(t => Plan(t, vocabulary)).ToList());

    /// <summary>Words that sound like the rare ones of a query: what else to try.</summary>
    public IReadOnlyList<PlannedTerm> Sounds(SearchVocabulary vocabulary) => Terms
        .Where(t => t is { How: Taken.AsWritten, IsExact: false } && t.Alternatives.All(a => a.Count == 1) && t.Alternatives.Sum(a => vocabulary.CountOf(a[0])) < Rare)
        .Select(t => new PlannedTerm(t.Asked, Alone(vocabulary.SoundingLike(t.Asked)), Taken.SoundingAlike))
        .Where(t => t.Alternatives.Count > 0)
        .ToList();

    private static PlannedTerm Plan(SearchTerm term, SearchVocabulary vocabulary)
    {
        var asked = string.Join(' ', term.Words);
        if (term.IsExact || term.Words.Count > 1)
        {
            return new PlannedTerm(asked, [term.Words], Taken.AsWritten, term.IsExact);
        }

        var word = term.Words[0];
        var forms = vocabulary.FormsOf(word);
        var written = term.IsBeginning ? forms.Concat(vocabulary.Beginning(word)).Distinct().ToList() : forms;
        return written.All(w => vocabulary.CountOf(w) == 0) && vocabulary.SpelledLike(word) is { Count: > 0 } alike
            ? new PlannedTerm(asked, Alone(alike.SelectMany(vocabulary.FormsOf).Distinct()), Taken.SpelledAlike)
            : new PlannedTerm(asked, Alone(written), Taken.AsWritten);
    }

    private static List<IReadOnlyList<string>> Alone(IEnumerable<string> words) => words.Select(w => (IReadOnlyList<string>)[w]).ToList();
}
