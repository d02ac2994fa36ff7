using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>What is stated in few words, and what is asked or explained: "the queen starts laying", "why the stars twinkle".</summary>
internal sealed class ClausePhrases(Lexicon lexicon)
{
    /// <summary>With a question word before it a title has seven.</summary>
    private const int FewestWords = 3, LongestWords = 6;

    private const double SometimesVerb = 0.3, SometimesNoun = 0.3;

    private static readonly HashSet<string> Joining = ["because", "so", "when", "if", "which", "that", "and", "but", "until", "till", "while", "although", "though", "since", "where", "who", "than", "unless", "or", "as", "like", "why", "how", "what", "whether"];
    private static readonly HashSet<string> Being = ["is", "are", "was", "were", "has", "have", "had"];
    private static readonly HashSet<string> Helping = [.. Being, "can", "could", "will", "would", "must", "should", "may", "might", "does", "do", "did", "isn't", "aren't", "can't", "doesn't", "don't", "won't", "cannot"];
    private static readonly HashSet<string> Articles = ["the", "a", "an", "no", "every", "most", "all"];
    private static readonly HashSet<string> NoEnd = [.. Helping, "the", "a", "an", "of", "to", "in", "at", "for", "with", "from", "by", "on", "into", "over", "all", "too", "very", "not", "be", "about", "more", "less", "just", "really", "only", "still", "nearly", "almost", "even", "quite", "ever", "never", "always", "again", "together", "anyhow", "maybe", "perhaps"];
    private static readonly HashSet<string> AsksWith = ["why", "how", "where", "when"];
    private static readonly HashSet<string> Believing = ["think", "thinks", "thought", "believe", "believes", "believed", "say", "says", "said", "write", "writes", "wrote", "claim", "claims", "claimed", "hope", "hopes", "feel", "feels", "felt", "expect", "expected"];
    private static readonly HashSet<string> Leads = ["so", "now", "then", "well", "okay", "right", "yes", "no", "yeah", "also", "first", "finally", "er", "um", "actually", "basically", "today", "here"];
    private static readonly HashSet<string> Pointing = ["it", "its", "it's", "this", "that", "that's", "these", "those", "they", "them", "their", "they're", "he", "she", "his", "her", "him", "here", "there", "there's", "i", "i'm", "i've", "me", "my", "you", "you're", "your", "we", "we're", "us", "our", "one", "ones", "such", "same", "both", "other", "others", "another", "somebody", "someone", "something", "everybody", "everyone", "anybody", "nobody", "everything", "nothing", "thing", "things", "today", "tonight", "yesterday", "now", "then", "next", "please", "let", "lets", "let's", "remember", "imagine", "suppose", "don't", "say", "said", "says", "think", "answer", "question", "reason", "result", "point", "problem", "idea", "word", "way", "er", "um", "mean", "people", "what", "second", "third", "last", "inside", "outside", "rest", "half", "some", "any", "many", "each"];

    /// <summary>The clauses of a chapter that can be titles, in the order in which they are said.</summary>
    public IEnumerable<NamingPhrase> Of(IReadOnlyList<Sentence> sentences)
    {
        for (var s = 0; s < sentences.Count; s++)
        {
            foreach (var phrase in In(sentences[s], s))
            {
                yield return phrase;
            }
        }
    }

    private IEnumerable<NamingPhrase> In(Sentence sentence, int at)
    {
        if (sentence.WeakestConfidence < QuotableSentence.SureEnough || sentence.Text.EndsWith('?'))
        {
            yield break;
        }

        var words = sentence.Words.Select(w => (Written: w.Text.Trim('.', ',', ';', ':', '!', '?', '"', '“', '”', '(', ')', '…'), Word: Tokens.Of(w.Text) is [var one] ? one : "", Ends: !char.IsLetterOrDigit(w.Text[^1]))).ToList();
        var from = 0;
        var joined = "";
        for (var i = 0; i <= words.Count; i++)
        {
            var isJoin = i < words.Count && Joining.Contains(words[i].Word);
            if (i == words.Count || isJoin || (i > from && words[i - 1].Ends))
            {
                var clause = words.GetRange(from, i - from).Where(w => w.Written.Length > 0).SkipWhile(w => Leads.Contains(w.Word) && (w.Word != "no" || w.Ends)).ToList();
                var isReasoned = isJoin && words[i].Word is "because";
                var before = joined.Length > 0 && from > 1 ? words[from - 2].Word : "";
                if (joined is "what" or "how" && Free(clause, joined) is { } free)
                {
                    yield return free with { Sentence = at };
                }
                else if (IsClause(clause) && !(joined is "that" && !Tells(before)) && !(isJoin && GoesOn(words[i].Word, clause[^1].Word)))
                {
                    var text = string.Join(' ', clause.Select(w => w.Written));
                    var content = clause.Where(w => !EnglishPhrases.SaysNothing(w.Word)).Select(w => Tokens.Stem(w.Word)).ToList();
                    if (AsksWith.Contains(joined) || isReasoned)
                    {
                        yield return new NamingPhrase($"{(isReasoned ? "why" : joined)} {WordForms.Small(text)}", content, at, PhraseForm.Asked);
                    }
                    else if (joined is not ("if" or "than" or "unless" or "whether" or "like" or "as" or "what" or "which" or "who"))
                    {
                        yield return new NamingPhrase(text, content, at, PhraseForm.Statement);
                    }
                }

                from = isJoin ? i + 1 : i;
                joined = isJoin ? words[i].Word : "";
            }
        }
    }

    /// <summary>Whether a clause with "that" says something by itself after a word: not after a thing, of which it only says which one is meant, nor after what is only believed.</summary>
    private bool Tells(string before) => before.Length > 0 && !Believing.Contains(before) && (Helping.Contains(before) || before is "so" || lexicon.KindsOf(before) is { NounShare: < SometimesNoun } or { VerbShare: > SometimesVerb });

    /// <summary>Whether a clause is not at its end where a word joins on: "the number tells | how many", "a clean bill meant | that …".</summary>
    private bool GoesOn(string joining, string last) =>
        joining is "how" or "what" or "whether" or "why" or "than" or "like" or "as" || (joining is "where" or "that" or "which" or "who" && (IrregularForms.IsPast(last) || lexicon.KindsOf(last).VerbShare > SometimesVerb));

    /// <summary>"What makes a queen" of "what makes a queen is only the food", "how to cut the curd".</summary>
    private NamingPhrase? Free(List<(string Written, string Word, bool Ends)> clause, string joined)
    {
        var words = joined is "what" && clause.FindIndex(Math.Min(2, clause.Count), w => Being.Contains(w.Word)) is > 0 and var end ? clause[..end] : clause;
        var doesSay = joined is "what"
            ? words.Count is >= 2 and <= LongestWords && words[0].Word.EndsWith('s') && !Being.Contains(words[0].Word) && lexicon.KindsOf(words[0].Word).VerbShare > SometimesVerb
            : words.Count is >= 3 and <= LongestWords && words[0].Word is "to" && lexicon.VerbOf(words[1].Word) is not null;
        return doesSay && words.TrueForAll(w => w.Word.Length > 0 && !Pointing.Contains(w.Word)) && !NoEnd.Contains(words[^1].Word)
            ? new NamingPhrase($"{joined} {string.Join(' ', words.Select(w => w.Written))}", words.Where(w => !EnglishPhrases.SaysNothing(w.Word)).Select(w => Tokens.Stem(w.Word)).ToList(), 0, PhraseForm.Asked)
            : null;
    }

    private bool IsClause(List<(string Written, string Word, bool Ends)> clause) =>
        clause.Count is >= FewestWords and <= LongestWords
        && clause.TrueForAll(w => w.Word.Length > 0 && !Pointing.Contains(w.Word) && !w.Word.Any(char.IsDigit))
        && !NoEnd.Contains(clause[^1].Word) && !NumberWords.IsNumber(clause[^1].Word)
        && VerbAt(clause) is > 0 and var verb && !(Being.Contains(clause[verb].Word) && (clause.Count == FewestWords || NumberWords.IsNumber(clause[verb + 1].Word)));

    /// <summary>Where the verb stands after something that can be its subject; -1 for none.</summary>
    private int VerbAt(List<(string Written, string Word, bool Ends)> clause)
    {
        var begins = clause[0].Word;
        var kinds = lexicon.KindsOf(begins);
        if (!Articles.Contains(begins) && !NumberWords.IsNumber(begins) && (StopWords.Contains(begins) || (kinds.Total > 0 && kinds.NounShare < SometimesNoun && kinds.AdjectiveShare < SometimesNoun)))
        {
            return -1;
        }

        for (var i = 1; i < clause.Count; i++)
        {
            var isVerb = Helping.Contains(clause[i].Word) || IrregularForms.IsPast(clause[i].Word) || lexicon.IsVerbForm(clause[i].Word, "ed") || (clause[i].Word.EndsWith('s') == !clause[i - 1].Word.EndsWith('s') && lexicon.KindsOf(clause[i].Word).VerbShare > SometimesVerb);
            if (isVerb && clause.Take(i).Any(w => lexicon.KindsOf(w.Word) is { Total: 0 } or { NounShare: > SometimesNoun }) && !Articles.Contains(clause[i - 1].Word))
            {
                return i;
            }
        }

        return -1;
    }
}
