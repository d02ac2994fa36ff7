using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Answers.Scopes;

/// <summary>Tells what of a question says where to look: days, the last lectures, a speaker, a chapter, minutes.</summary>
public static partial class ScopeReading
{
    private const int ShortestName = 3;

    /// <summary>Reads a question.</summary>
    /// <param name="off">Kinds that the person took off: their words stay in the question.</param>
    public static ScopedQuestion Read(string text, ScopeGround ground, IReadOnlyCollection<ScopeKind> off)
    {
        var parts = new List<ScopePart>();
        var rest = text;
        Take(ScopeKind.Speaker, () => Speaker(rest, ground));
        Take(ScopeKind.Stretch, () => ground.HasSeveral ? null : Stretch(rest, ground));
        Take(ScopeKind.Lectures, () => ground.HasSeveral ? Lectures(rest) : null);
        Take(ScopeKind.Days, () => ground.HasSeveral ? Days(rest, ground) : null);
        return new ScopedQuestion(parts.Count == 0 ? text : Tidy(rest), parts);

        void Take(ScopeKind kind, Func<(ScopePart Part, string Left)?> read)
        {
            if (!off.Contains(kind) && read() is var (part, without) && Tidy(without).Length > 0)
            {
                parts.Add(part);
                rest = without;
            }
        }
    }

    private static (ScopePart, string)? Speaker(string text, ScopeGround ground)
    {
        if ((Says().Match(text) is not { Success: true } m || Who(m) is null) && (AccordingTo().Match(text) is not { Success: true } other || Who(m = other) is null))
        {
            return null;
        }

        var who = Who(m)!;
        // "What did Vera say about fog?" asks about fog: how it is asked for stays, and who says it goes.
        return (who, text.Remove(m.Index, m.Length).Insert(m.Index, m.Groups["asked"].Success ? m.Groups["asked"].Value + " " : ""));

        ScopePart? Who(Match match)
        {
            var named = match.Groups["who"].Value;
            if (ground.HasInterview && Roles().Match(named) is { Success: true } role)
            {
                var asks = !role.Value.Equals("guest", StringComparison.OrdinalIgnoreCase);
                return new ScopePart(ScopeKind.Speaker, asks ? "the one who asks" : "the guest") { Asks = asks };
            }

            var words = Tokens.Of(named).Where(w => w.Length >= ShortestName).ToList();
            var name = ground.Speakers.FirstOrDefault(s => Tokens.Of(s) is var own && words.Count > 0 && words.All(own.Contains)) ?? ground.Speakers.FirstOrDefault(s => words.Count > 0 && Tokens.Of(s).Contains(words[^1]));
            return name is null ? null : new ScopePart(ScopeKind.Speaker, name) { Speaker = name };
        }
    }

    private static (ScopePart, string)? Stretch(string text, ScopeGround ground)
    {
        if (Numbered().Match(text) is { Success: true } numbered && Count(numbered.Groups["number"].Value) is var n and > 0 && n <= ground.Chapters.Count)
        {
            return (Chapter(ground.Chapters[n - 1]), text.Remove(numbered.Index, numbered.Length));
        }

        if (Titled().Match(text) is { Success: true } titled && Like(titled.Groups["title"].Value, ground.Chapters) is { } chapter)
        {
            return (Chapter(chapter), text.Remove(titled.Index, titled.Length));
        }

        if (Minutes().Match(text) is not { Success: true } minutes || Count(minutes.Groups["number"].Value) is not (var count and > 0))
        {
            return null;
        }

        var (ms, isEnd) = (count * 60_000, minutes.Groups["end"].Value.StartsWith('l') || minutes.Groups["end"].Value.StartsWith('L'));
        var words = $"the {(isEnd ? "last" : "first")} {(count == 1 ? "minute" : $"{count} minutes")}";
        return (new ScopePart(ScopeKind.Stretch, words) { StartMs = isEnd ? Math.Max(0, ground.DurationMs - ms) : 0, EndMs = isEnd ? int.MaxValue : ms }, text.Remove(minutes.Index, minutes.Length));

        static ScopePart Chapter(Transcripts.Chapter c) => new(ScopeKind.Stretch, $"“{c.Title}”") { StartMs = c.StartMs, EndMs = c.EndMs };
    }

    /// <summary>The chapter whose title has all that was named of it.</summary>
    private static Transcripts.Chapter? Like(string named, IReadOnlyList<Transcripts.Chapter> chapters)
    {
        var asked = AskedWords.Of(named).Select(w => w.Stem).ToList();
        return asked.Count == 0 ? null : chapters.FirstOrDefault(c => asked.TrueForAll(AskedWords.Of(c.Title).Select(w => w.Stem).Contains));
    }

    private static (ScopePart, string)? Lectures(string text)
    {
        if (LastLectures().Match(text) is not { Success: true } m)
        {
            return null;
        }

        var count = m.Groups["number"].Success ? Count(m.Groups["number"].Value) : 1;
        var isFirst = m.Groups["end"].Value.StartsWith('f') || m.Groups["end"].Value.StartsWith('F');
        var words = $"the {(isFirst ? "first" : "last")} {(count == 1 ? "lecture" : $"{count} lectures")}";
        return count <= 0 ? null : (new ScopePart(ScopeKind.Lectures, words) { Latest = isFirst ? -count : count }, text.Remove(m.Index, m.Length));
    }

    /// <summary>Days of lectures. A month alone may also be what is asked about ("what do bees do in October"): it is the lectures' only where the question speaks of saying or hearing, or begins with it.</summary>
    private static (ScopePart, string)? Days(string text, ScopeGround ground)
    {
        if (DayWords.Find(text, ground.Today) is not var (from, to, match))
        {
            return null;
        }

        var isLectures = match.Value.Any(char.IsDigit) || match.Index <= 1 || OfLectures().IsMatch(text);
        return isLectures ? (new ScopePart(ScopeKind.Days, match.Value.Trim().TrimEnd('?', ',')) { From = from, To = to }, text.Remove(match.Index, match.Length)) : null;
    }

    private static int Count(string words) => NumberWords.ToDigits([words.ToLowerInvariant()]) is [var digits] && int.TryParse(digits, CultureInfo.InvariantCulture, out var n) ? n : 0;

    private static string Tidy(string text)
    {
        var tidy = Blanks().Replace(text, " ").Replace(" ?", "?", StringComparison.Ordinal).Replace(" ,", ",", StringComparison.Ordinal).Trim(' ', ',');
        return tidy.Length > 0 ? char.ToUpperInvariant(tidy[0]) + tidy[1..] : tidy;
    }

    private const string Saying = "say|says|said|tell|tells|told|think|thinks|mention|mentions|explain|explains|mean|recommend|recommends|answer|advise|suggest|claim|talk|speak";
    private const string Counts = @"\d{1,2}|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty";
    private const string Named = @"(?:the )?\p{L}[\p{L}'’.-]*(?: \p{L}[\p{L}'’.-]*){0,2}?";

    [GeneratedRegex($@"\b(?:did|does|do|has|would) (?<who>{Named}) (?:{Saying})\b(?: (?:us|that))?(?: (?<asked>about|of|on|to))?", RegexOptions.IgnoreCase)]
    private static partial Regex Says();

    [GeneratedRegex($@"\baccording to (?<who>{Named})(?=\W*$|,| (?:is|are|was|were|do|does|how|what|why|when|where|who|which)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex AccordingTo();

    [GeneratedRegex(@"\b(?:guest|host|interviewer|presenter)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Roles();

    [GeneratedRegex($@"\b(?:in|from|of) (?:the )?chapter (?<number>{Counts})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Numbered();

    private const string Title = """[“"']?(?<title>[^?,”"]+?)[”"']?(?=[?,]|$)""";

    [GeneratedRegex($@"\b(?:in|from) the (?:chapter|part|section) (?:on|about|called|named) {Title}", RegexOptions.IgnoreCase)]
    private static partial Regex Titled();

    [GeneratedRegex($@"\b(?:in|during) the (?<end>first|last) (?<number>{Counts}) minutes?\b", RegexOptions.IgnoreCase)]
    private static partial Regex Minutes();

    private const string Held = "lectures?|sessions?|class(?:es)?|recordings?|talks?";

    private const string Ends = "last|latest|previous|past|first";

    [GeneratedRegex($@"\b(?:in|from|during|of|over) (?:the |my |our )?(?<end>{Ends}) (?:(?<number>{Counts}) )?(?:{Held})\b", RegexOptions.IgnoreCase)]
    private static partial Regex LastLectures();

    private const string Telling = "said|say|tell|told|hear|heard|cover(?:ed)?|discuss(?:ed)?|talk(?:ed)?|learn(?:ed|t)?|taught";

    [GeneratedRegex($@"\b(?:{Telling}|mention(?:ed)?|explain(?:ed)?|lectures?|class(?:es)?|we)\b", RegexOptions.IgnoreCase)]
    private static partial Regex OfLectures();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Blanks();
}
