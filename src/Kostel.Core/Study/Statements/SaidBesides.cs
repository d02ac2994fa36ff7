using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>What a sentence says beside what it states: the reason, the consequence, the picture.</summary>
internal static class SaidBesides
{
    /// <summary>Where it begins; the end of the sentence where there is none.</summary>
    public static int From(Sentence part)
    {
        for (var at = 2; at < part.Words.Count; at++)
        {
            if (part.Words[at - 1].Text[^1] == ',' && Tokens.Of(part.Words[at].Text) is ["so" or "which" or "because" or "since" or "like" or "just" or "otherwise" or "as" or "and" or "the" or "it" or "that"])
            {
                return at;
            }
        }

        return part.Words.Count;
    }

    /// <summary>Behind ", which", ", like": said besides, and of little use without the rest.</summary>
    public static bool IsPicture(Sentence part, WordRun run) => From(part) is var main && run.First >= main && main < part.Words.Count && Tokens.Of(part.Words[main].Text) is ["which" or "like" or "just" or "as" or "it" or "that"];

    /// <summary>What a reason is told with: rather the reason is asked for, or nothing.</summary>
    public static bool IsOfReason(Sentence part, WordRun run) => From(part) is var main && run.First >= main && main < part.Words.Count && Tokens.Of(part.Words[main].Text) is ["because" or "since"];
}
