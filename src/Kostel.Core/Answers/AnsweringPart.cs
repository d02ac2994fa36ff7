using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>What answers within a sentence: the number with its unit, the reason, the meaning of a term, the name, the time; else all of it.</summary>
internal static partial class AnsweringPart
{
    /// <summary>From one letter of the sentence to another (exclusive).</summary>
    public static (int From, int To) Of(Sentence sentence, Question question)
    {
        var text = sentence.Text;
        return (question.Wants switch
        {
            Wanted.Quantity => Number(sentence, question),
            Wanted.Reason => Found(Because().Match(text)),
            Wanted.Time => Found(When().Match(text)),
            Wanted.Person => Found(Name().Match(text)),
            Wanted.Definition => Definitions.Find(sentence) is { TermIsAnswer: false } d && text.IndexOf(d.Meaning, StringComparison.Ordinal) is var at and >= 0 ? (at, at + d.Meaning.Length) : null,
            _ => null,
        }) ?? (0, text.Length);
    }

    private static (int From, int To)? Found(Match match) => match.Success ? (match.Groups["part"].Index, match.Groups["part"].Index + match.Groups["part"].Length) : null;

    /// <summary>The quantity that fits the unit that was asked for, else the first that was not in the question, else a number alone.</summary>
    private static (int From, int To)? Number(Sentence sentence, Question question)
    {
        var quantities = Quantities.Find(sentence).Where(q => !question.Words.Any(w => w.Stem == q.Value.ToString("0.######", System.Globalization.CultureInfo.InvariantCulture))).ToList();
        var fitting = quantities.Find(q => new SentenceForms(new Sentence("", 0, sentence.Words.Skip(q.FirstWord).Take(q.WordCount).ToList())).FitsUnit(question)) ?? quantities.FirstOrDefault();
        if (fitting is not null)
        {
            return Letters(sentence, fitting.FirstWord, fitting.WordCount);
        }

        var words = sentence.Words.Select(w => Tokens.Of(w.Text) is [var only] ? only : "").ToList();
        for (var i = 0; i < words.Count; i++)
        {
            var (_, used) = NumberWords.Read(words, i);
            if (used > 0 && !question.Words.Any(w => w.Word == words[i]))
            {
                return Letters(sentence, i, used);
            }
        }

        return null;
    }

    /// <summary>Where words stand in a sentence's text, which has one blank between two.</summary>
    private static (int From, int To) Letters(Sentence sentence, int first, int count)
    {
        var from = sentence.Words.Take(first).Sum(w => w.Text.Length + 1);
        var length = sentence.Words.Skip(first).Take(count).Sum(w => w.Text.Length + 1) - 1;
        return (from, from + sentence.Text.Substring(from, Math.Min(length, sentence.Text.Length - from)).TrimEnd('.', ',', ';', ':', '!', '?').Length);
    }

    private const string Causes = "because|since|so that|in order to|due to|therefore|otherwise";
    private const string Clause = @"[^,.;!?]+";

    [GeneratedRegex($@"\b(?<part>(?:{Causes})\b{Clause}(?:, {Clause})??)(?=[,.;!?]|$)", RegexOptions.IgnoreCase)]
    private static partial Regex Because();

    private const string Seasons = "spring|summer|autumn|winter|morning|evening|night|noon";
    private const string Times = $@"(?:{Seasons}|{CalendarWords.MonthNames}|{CalendarWords.DayNames}|\d{{1,4}}|\p{{L}}+ o'clock)";
    private const string Whenever = $@"(?:when|until|after|before|as soon as|during)\b{Clause}";

    [GeneratedRegex(
        $@"\b(?<part>(?:{Whenever}|(?:in|on|at|by|from|since|around|about) (?:the |early |late )*{Times}\b))",
        RegexOptions.IgnoreCase)]
    private static partial Regex When();

    [GeneratedRegex(@"(?<=\p{L}[,;]? )(?<part>\p{Lu}\p{Ll}+(?: \p{Lu}\p{Ll}+)*)")]
    private static partial Regex Name();
}
