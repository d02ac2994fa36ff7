using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>What an ending can stand for in its sentence.</summary>
public enum EndingRole
{
    /// <summary>A thing: "the price of bread", "warm doughs".</summary>
    Thing,

    /// <summary>How something is, or what was done to it: "stiff", "carried by the seller".</summary>
    Quality,

    /// <summary>What is done, behind "to" or "can".</summary>
    Deed,

    /// <summary>A clause behind a word that joins it: "until | the ship sinks".</summary>
    Clause,

    /// <summary>A place, time or manner: "along the edges".</summary>
    Place,

    /// <summary>What one does: "by | adding".</summary>
    Doing,

    /// <summary>Something else.</summary>
    Other,
}

/// <summary>How an ending is built: two of one form can stand in each other's place without the sentence falling apart.</summary>
/// <param name="Role">What it stands for.</param>
/// <param name="IsPlural">Whether it names several, where it says what something is.</param>
/// <param name="HoldsNumber">Whether a number is in it.</param>
internal sealed record EndingForm(EndingRole Role, bool IsPlural, bool HoldsNumber)
{
    private const double Mostly = 0.5;

    private static readonly HashSet<string> Joins = ["until", "unless", "if", "when", "because", "that", "before", "after"];

    /// <summary>The form of one.</summary>
    /// <param name="ending">The ending.</param>
    /// <param name="lexicon">Tells what kind of word one is that the grammar does not.</param>
    public static EndingForm Of(FactGap ending, Lexicon lexicon)
    {
        var (run, leaves) = (ending.Run, ending.Statement.Grammar?.ByPlace);
        var (before, said) = (WordBefore(ending), Tokens.Of(ending.Missing));
        var holdsVerb = Enumerable.Range(run.First, run.Count).Any(IsVerb) || said.Any(StandingAlone.Carries);
        var role = EndingFeatures.IsModal(before) ? EndingRole.Deed
            : Joins.Contains(before) && holdsVerb ? EndingRole.Clause
            : said[0].EndsWith("ing", StringComparison.Ordinal) && lexicon.KindsOf(said[0]).VerbShare >= Mostly ? EndingRole.Doing
            : EndingFeatures.IsLeading(said[0]) ? EndingRole.Place
            : EndingFeatures.IsPronoun(said[0]) || EndingFeatures.IsParticle(said[0]) ? EndingRole.Other
            : EndingFeatures.IsBeing(before) && (IsVerb(run.First) || said[0].EndsWith("ed", StringComparison.Ordinal) || Is(said[^1], run.End - 1, 'a', k => k.AdjectiveShare)) ? EndingRole.Quality
            : !holdsVerb && (EndingFeatures.IsArticle(said[0]) || Is(said[^1], run.End - 1, 'n', k => k.NounShare)) ? EndingRole.Thing
            : EndingRole.Other;
        return new EndingForm(role, role == EndingRole.Thing && EndingFeatures.IsBeing(before) && NamedThing.Of(ending.Missing, "") is { Article: "", IsPlural: true }, said.Any(NumberWords.IsNumber));

        bool Is(string word, int at, char tag, Func<WordKinds, double> share) => leaves?.GetValueOrDefault(at)?.Tag.StartsWith(tag) == true || share(lexicon.KindsOf(word)) >= Mostly;

        bool IsVerb(int at) => leaves?.GetValueOrDefault(at)?.IsVerb == true;
    }

    /// <summary>The word behind which an ending stands.</summary>
    public static string WordBefore(FactGap ending) => Tokens.Of(ending.Statement.Part.Words[ending.Run.First - 1].Text) is [.., var last] ? last : "";
}
