using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>Cards from sentences that state a fact: a question where the sentence's form allows one, a gap where not.</summary>
internal static partial class StatementCards
{
    private const double SureNumber = 0.72, QuestionWorth = 0.9, GapWorth = 0.7;
    private const int ShortestGapped = 7, LongestGapped = 26, MostNumbers = 2, LeastContent = 3;

    /// <summary>The end of a question for what follows from a condition.</summary>
    public const string WhatFollows = ", what follows?";

    /// <summary>The cards of a self-contained sentence with what each form is worth.</summary>
    public static IEnumerable<(CardDraft Card, double Worth)> Of(Sentence sentence)
    {
        var text = QuotableSentence.Untied(sentence.Text);
        var source = Evidence.Of(sentence);
        if (!Quantities.Find(sentence).All(IsSure))
        {
            yield break;
        }

        var asked = FromPhrase(text, source) ?? WhichIs(text, source) ?? WhatIsThe(text, source) ?? HowLong(text, source) ?? HowOften(text, source) ?? DoesWhat(text, source);
        if (asked is { } card)
        {
            yield return (card, QuestionWorth);
        }
        else if (QuantityGap(sentence, source) is { } gap)
        {
            yield return (gap, GapWorth);
        }
    }

    /// <summary>"Heights are measured from chart datum." asks "What are heights measured from?"</summary>
    private static CardDraft? FromPhrase(string text, Evidence source)
    {
        var m = PassiveWithPhrase().Match(text);
        return m.Success && Words(m, "subject") is >= 1 and <= 9 && Words(m, "object") is >= 1 and <= 8 && !StartsWithNumber(m.Groups["subject"].Value) && !StartsWithNumber(m.Groups["object"].Value)
            ? CardDraft.Asking(
                $"What {m.Groups["verb"].Value} {WordForms.Small(m.Groups["subject"].Value)} {m.Groups["participle"].Value} {m.Groups["preposition"].Value}?",
                Sentence(m.Groups["object"].Value),
                source)
            : null;
    }

    /// <summary>"The main cause of the tides is the pull of the moon." asks "What is the main cause of the tides?"</summary>
    private static CardDraft? WhatIsThe(string text, Evidence source)
    {
        var m = SomethingOfIs().Match(text);
        return m.Success && Words(m, "subject") <= 10 && Words(m, "object") is >= 1 and <= 16 && !StartsWithNumber(m.Groups["object"].Value)
            ? CardDraft.Asking($"What {m.Groups["verb"].Value} {WordForms.Small(m.Groups["subject"].Value)}?", Sentence(m.Groups["object"].Value), source)
            : null;
    }

    /// <summary>"A lunar day is 24 hours and 50 minutes long." asks "How long is a lunar day?"</summary>
    private static CardDraft? HowLong(string text, Evidence source)
    {
        var m = IsSoLong().Match(text);
        return m.Success && Words(m, "subject") <= 8 && IsAmount(m)
            ? CardDraft.Asking($"How {m.Groups["measure"].Value} {m.Groups["verb"].Value} {WordForms.Small(m.Groups["subject"].Value)}?", Sentence(m.Groups["amount"].Value), source)
            : null;
    }

    /// <summary>"The time from one high water to the next is half a lunar day, which is twelve hours." asks for the time.</summary>
    private static CardDraft? WhichIs(string text, Evidence source)
    {
        var m = AmountInClause().Match(text);
        return m.Success && Words(m, "subject") is >= 4 and <= 14 && IsAmount(m)
            ? CardDraft.Asking($"What is {WordForms.Small(m.Groups["subject"].Value)}?", Sentence(m.Groups["amount"].Value), source)
            : null;
    }

    /// <summary>"High water comes every twelve hours." asks how often.</summary>
    private static CardDraft? HowOften(string text, Evidence source)
    {
        var m = ComesEvery().Match(text);
        if (!m.Success || Words(m, "subject") > 6 || !IsAmount(m))
        {
            return null;
        }

        var verb = m.Groups["verb"].Value;
        return CardDraft.Asking(
            $"How often {(verb.EndsWith('s') ? "does" : "do")} {WordForms.Small(m.Groups["subject"].Value)} {verb.TrimEnd('s')}{m.Groups["about"].Value}?",
            Sentence("Every " + m.Groups["amount"].Value),
            source);
    }

    private static bool StartsWithNumber(string phrase) => Tokens.Of(phrase).Take(2).Contains("half") || NumberWords.IsNumber(Tokens.Of(phrase).SkipWhile(w => w is "about" or "only" or "nearly" or "half" or "a" or "an" or "just" or "roughly" or "some" or "up" or "to").FirstOrDefault() ?? "");

    private static bool IsAmount(Match m) =>
        NumberWords.IsNumber(Tokens.Of(m.Groups["amount"].Value).SkipWhile(w => w is "about" or "only" or "nearly").FirstOrDefault() ?? "");

    /// <summary>"The surface of clay carries a negative charge." asks "What does the surface of clay carry?"</summary>
    private static CardDraft? DoesWhat(string text, Evidence source)
    {
        var m = SubjectVerbObject().Match(text);
        if (!m.Success || Words(m, "subject") is < 2 or > 7 || Words(m, "object") is < 2 or > 12
            || Tokens.ContentStems(m.Groups["object"].Value).Count(w => !char.IsDigit(w[0])) < 2 || Tokens.Of(m.Groups["subject"].Value) is var subject && (subject.Contains("also") || subject.Contains("only") || subject[^1] is "and" or "that" or "which" or "who" or "or")
            || Tokens.Of(m.Groups["object"].Value) is ["as" or "until" or "when" or "while" or "if" or "because", ..] || Tokens.Of(m.Groups["object"].Value).Contains("lot") || StatesMore().IsMatch(m.Groups["object"].Value))
        {
            return null;
        }

        return CardDraft.Asking(
            $"What does {WordForms.Small(m.Groups["subject"].Value)} {VerbForms.FromThirdPerson(m.Groups["verb"].Value)}?", Sentence(m.Groups["object"].Value), source);
    }

    /// <summary>"If the ribbon is longer than five centimetres, the soil is a clay." asks what follows from the condition.</summary>
    public static CardDraft? OfCondition(Sentence sentence)
    {
        var m = Condition().Match(QuotableSentence.Untied(sentence.Text));
        return m.Success && !ClockTime().IsMatch(m.Value) && !SaysMore().IsMatch(m.Groups["condition"].Value) && !Tokens.Of(m.Groups["condition"].Value).Any(w => w is "it" or "it's" or "they" or "them" or "this" or "that" or "those" or "these" or "he" or "she") && Quantities.Find(sentence).All(IsSure) && Words(m, "condition") is >= 4 and <= 16 && Words(m, "result") is >= 3 and <= 14
            ? CardDraft.Asking(m.Groups["condition"].Value + WhatFollows, Sentence(m.Groups["result"].Value), Evidence.Of(sentence))
            : null;
    }

    /// <summary>Leaves the sentence's last quantity out.</summary>
    private static CardDraft? QuantityGap(Sentence sentence, Evidence source)
    {
        var quantities = Quantities.Find(sentence);
        if (quantities.Count is 0 or > MostNumbers || sentence.Words.Count is < ShortestGapped or > LongestGapped)
        {
            return null;
        }

        var asked = quantities[^1];
        if (!Quantities.IsMeasured(asked) || !IsSure(asked) || sentence.Words.Count(w => w.Text.EndsWith(',')) > 1 || Tokens.Of(sentence.Text).Contains("you"))
        {
            return null;
        }

        var rest = sentence.Words.Where((_, i) => i < asked.FirstWord || i >= asked.FirstWord + asked.WordCount).Select(w => w.Text);
        if (Tokens.ContentStems(string.Join(' ', rest)).Distinct().Count() < LeastContent || asked.FirstWord < 2)
        {
            return null;
        }

        return new CardDraft(new GapCard(Without(asked), Sentence(asked.Text)), source);
    }

    /// <summary>A sentence with a gap in place of one of its quantities.</summary>
    public static string Without(Quantity asked)
    {
        var words = asked.Sentence.Words.Select(w => w.Text).ToList();
        var last = words[asked.FirstWord + asked.WordCount - 1];
        var mark = last[^1] is '.' or ',' or ';' ? last[^1].ToString() : "";
        words.RemoveRange(asked.FirstWord, asked.WordCount);
        words.Insert(asked.FirstWord, CardContent.Gap + mark);
        return QuotableSentence.Untied(string.Join(' ', words));
    }

    /// <summary>A number is what the card is for, and one number sounds much like another.</summary>
    public static bool IsSure(Quantity quantity) =>
        quantity.Sentence.Words.Skip(quantity.FirstWord).Take(quantity.WordCount)
            .All(w => w.Confidence >= SureNumber || !Tokens.Of(w.Text).Any(NumberWords.IsNumber));

    private static int Words(Match m, string group) => Tokens.Of(m.Groups[group].Value).Count;

    private static string Sentence(string phrase) => WordForms.Capital(phrase.Trim().TrimEnd('.', ',')) + ".";

    private const string DoneTo = "measured|given|chosen|caused|made|printed|raised|found|held|divided|shown|formed|driven";

    private const string DoesTo = "carries|causes|contains|holds|raises|drives|needs|gives|shows|makes|removes|reduces|decides|explains|means|prevents|forms|divides";

    /// <summary>After an article: an ordinal or a word that points elsewhere, so that the subject cannot stand alone.</summary>
    private const string PointingWord = "first|second|third|result|answer|question|other|same|last|next";

    /// <summary>After "is": what makes of the rest no thing that the subject is.</summary>
    private const string NoThing = "called|not|that|how|why|what|often|also|too|so|held|made|given|kept|lost|left|found|seen|known|full|about to|half of that";

    private const string IsOrAre = "(?<verb>is|are)";

    private const string ThingWithRelation = $"(?!{PointingWord})" + @"[^,;?]*\b(?:of|for|between|at|in|from)\b[^,;?]*?";

    private const string Measure = @"(?<amount>(?:about |only |nearly )?[^,;?]+?) (?<measure>long|high|deep|wide|thick|away)\.$";

    private const string NounPhrase = @"(?:The|A|An) [^,;?]+?|\p{Lu}\p{Ll}+ [^,;?]+?";

    private const string Completion = @"(?<preposition>from|by|in|as|into|on) (?<object>[^,;]+)\.$";

    private const string ObjectOfItsOwn = @"(?!it\b|them\b|that\b|you\b)(?<object>[^,;?]+)\.$";

    private const string NoVerbForm = @"\w+ing\b|\w+ed\b";

    [GeneratedRegex($"^(?<subject>[^,;?]+?)(?<! that| which| who) {IsOrAre} (?<participle>{DoneTo}) {Completion}")]
    private static partial Regex PassiveWithPhrase();

    [GeneratedRegex($"^(?<subject>(?:The|A|An) {ThingWithRelation}) {IsOrAre} (?!{NoThing}|{NoVerbForm})" + @"(?<object>[^;?]+)\.$")]
    private static partial Regex SomethingOfIs();

    [GeneratedRegex($"^(?<subject>(?:The|A|An) [^,;?]+?) {IsOrAre} {Measure}")]
    private static partial Regex IsSoLong();

    [GeneratedRegex($"^(?<subject>{NounPhrase}) (?<verb>{DoesTo}) {ObjectOfItsOwn}")]
    private static partial Regex SubjectVerbObject();

    [GeneratedRegex(@"^(?<subject>The [^,;?]+?) is [^,;?]{4,40}, (?:which|that) is (?<amount>[^,;?]+)\.$")]
    private static partial Regex AmountInClause();

    [GeneratedRegex(@"^(?<subject>[^,;?]+?) (?<verb>comes?|occurs?|happens?|arrives?)(?<about> about)? every (?<amount>[^,;?]+)\.$")]
    private static partial Regex ComesEvery();

    /// <summary>"If high water is at two, …" is an example, not a rule.</summary>
    [GeneratedRegex(@"\b(?:at|from|until) (?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|noon|midnight)\b", RegexOptions.IgnoreCase)]
    private static partial Regex ClockTime();

    /// <summary>"If you go up twelve fifths you should be back …": what follows from it is said before the comma.</summary>
    [GeneratedRegex(@"^\w+ \w+ .*\b(?:you|we|it|they|one) (?:should|would|will|must|can|could|may)\b", RegexOptions.IgnoreCase)]
    private static partial Regex SaysMore();

    /// <summary>"… makes sugar and the fungus makes the house": another statement.</summary>
    [GeneratedRegex(@"\band (?:the|an?) \w+ \w+s (?:the|an?|its|their|it|them)\b", RegexOptions.IgnoreCase)]
    private static partial Regex StatesMore();

    /// <summary>With these the condition goes on, or something is said besides.</summary>
    private const string GoesOn = "and|or|but|that|so|while|because|as|which";

    [GeneratedRegex($@"^(?<condition>(?:If|When) [^,;?]+), (?:then )?(?<result>(?!(?:{GoesOn})\b)[^,;?]+)\.$")]
    private static partial Regex Condition();
}
