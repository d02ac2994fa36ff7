using System.Globalization;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Made;

/// <summary>Something that was made from a lecture (a card, a summary, a sheet, an answer, a quiz, a mark), as the texts that a correction can reach.</summary>
/// <param name="Key">Names it among all that was made: its kind and number.</param>
/// <param name="Kind">What it is: card, summary, sheet, answer, quiz or mark.</param>
/// <param name="StartMs">Where in the lecture it begins.</param>
/// <param name="Texts">All its texts, in an order of its own that stays.</param>
/// <param name="Sources">What it rests on; the quotations are among the texts.</param>
public sealed record MadeThing(string Key, string LectureId, string Kind, int StartMs, IReadOnlyList<string> Texts, IReadOnlyList<Evidence> Sources)
{
    /// <summary>The key of a thing of a kind with a number.</summary>
    public static string KeyOf(string kind, int id) => string.Create(CultureInfo.InvariantCulture, $"{kind}:{id}");
}

/// <summary>The texts of a thing before and after a change, the same number of them: enough to do it again and to take it back.</summary>
public sealed record MadeChange(string Key, IReadOnlyList<string> Before, IReadOnlyList<string> After)
{
    /// <summary>Whether nothing was changed.</summary>
    public bool IsEmpty => Before.SequenceEqual(After);

    /// <summary>The change that takes this one back.</summary>
    public MadeChange Reverse() => new(Key, After, Before);
}

/// <summary>Corrections of what was made from a lecture.</summary>
public static class MadeCorrection
{
    /// <summary>A phrase put right in every text of a thing, whole words only.</summary>
    public static MadeChange Correct(MadeThing thing, Correction correction) => Change(thing, text => SourceCorrection.Apply(text, [correction]));

    /// <summary>Today's words of the transcript taken into a thing: its sources quote them, and what they corrected is corrected in its texts.</summary>
    /// <returns>Null if words that it rests on are gone altogether.</returns>
    public static MadeChange? Renew(MadeThing thing, SourceCheck check)
    {
        var changed = thing.Sources.Where(s => s.LectureId is null || s.LectureId == thing.LectureId).Select(s => (Source: s, State: check.Of(s))).Where(p => !p.State.Holds).ToList();
        if (changed.Exists(p => p.State.NowText.Length == 0))
        {
            return null;
        }

        // A whole quotation first, then single corrections in what was made of it.
        return Change(thing, text => changed.Aggregate(text, (t, p) => t == p.Source.Quote
            ? p.State.NowText
            : SourceCorrection.Apply(t, SourceCorrection.Between(p.Source.Quote, p.State.NowText))));
    }

    private static MadeChange Change(MadeThing thing, Func<string, string> change) => new(thing.Key, thing.Texts, thing.Texts.Select(change).ToList());
}
