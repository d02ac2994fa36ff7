using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>
/// The phrases by which English sentences name things: adjectives and nouns, with "of the …" or the like after them, or with a
/// verb in -ing before them ("reading a tide table").
/// </summary>
/// <param name="lexicon">What kinds of word there are; without it nothing is found.</param>
internal sealed class EnglishPhrases(Lexicon lexicon)
{
    private const int LongestNoun = 4, LongestWords = 7;
    private const double MostlyNoun = 0.5, SometimesNoun = 0.12, MostlyAdjective = 0.5, SometimesVerb = 0.12, NearlyAlwaysNoun = 0.95;

    private static readonly HashSet<string> Articles = ["the", "a", "an", "this", "that", "these", "those", "my", "your", "his", "her", "its", "our", "their", "each", "every", "any", "no", "some", "another", "two", "three", "four", "both"];
    private static readonly HashSet<string> Joining = ["of", "in", "on", "for", "from", "with", "between", "under", "against", "into", "without", "above", "below", "behind", "inside", "around", "across", "through"];
    private static readonly HashSet<string> BeforeVerbs = ["i", "you", "he", "she", "we", "they", "it", "who", "which", "to", "can", "could", "will", "would", "shall", "should", "may", "might", "must", "don't", "doesn't", "didn't", "not", "never", "always", "i'll", "you'll", "we'll", "they'll", "let's", "did", "do", "does", "what", "everybody", "nobody", "people"];
    private static readonly HashSet<string> Empty = ["thing", "things", "stuff", "lot", "lots", "bit", "kind", "kinds", "sort", "sorts", "way", "ways", "course", "fact", "example", "instance", "case", "time", "times", "day", "days", "year", "years", "week", "weeks", "minute", "minutes", "hour", "hours", "evening", "tonight", "today", "question", "questions", "point", "number", "person", "people", "everyone", "something", "anything", "nothing", "moment", "end", "side", "place", "half", "quarter", "third", "couple", "piece", "reason", "word", "words", "rest", "answer", "problem", "since", "everything", "matter", "someone", "somebody", "nobody", "everybody", "folk", "folks", "guy", "guys", "right", "okay", "ok", "yeah", "er", "um", "hmm", "gonna", "wanna", "literally", "basically", "actually", "sorry", "thanks", "please", "percent", "per", "cent", "degree", "degrees", "metre", "metres", "meter", "meters", "centimetre", "centimetres", "millimetre", "millimetres", "kilometre", "kilometres", "litre", "litres", "gram", "grams", "kilo", "kilos", "kilogram", "second", "seconds", "month", "months", "afternoon", "morning", "night", "monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday", "lecture", "lectures", "talk", "lesson", "chapter", "page", "slide"];

    private static readonly HashSet<string> Doers = ["i", "you", "we", "they", "to", "can", "must", "should", "will", "would", "might", "may", "then", "now", "please", "first", "just", "i'll", "we'll", "you'll", "they'll"];
    private static readonly HashSet<string> EmptyVerbs = ["can", "will", "may", "must", "might", "be", "have", "do", "get", "go", "know", "think", "say", "want", "need", "mean", "see", "let", "call", "come", "like", "try", "start", "begin", "look", "talk", "give", "tell", "thank", "find", "show", "love", "hate", "remember", "imagine", "suppose", "notice", "ask", "mind", "care", "hope", "guess", "put", "take"];
    private static readonly HashSet<string> PlainArticles = ["the", "a", "an", "your", "this", "that", "these", "those"];
    private const double OftenVerb = 0.35;

    /// <summary>The phrases of a chapter, in the order in which they are said.</summary>
    public IEnumerable<NamingPhrase> Of(IReadOnlyList<Sentence> sentences)
    {
        for (var s = 0; s < sentences.Count; s++)
        {
            foreach (var run in Runs(sentences[s]))
            {
                foreach (var phrase in InRun(run, s))
                {
                    yield return phrase;
                }
            }
        }
    }

    /// <summary>Whether a word by itself says nothing about a subject.</summary>
    public static bool SaysNothing(string word) => StopWords.Contains(word) || Empty.Contains(word) || NumberWords.IsNumber(word) || word.Length < 3 || word.Any(char.IsDigit);

    private sealed record Token(string Written, string Word, Kind Kind);

    private enum Kind
    {
        Other,
        Article,
        Joining,
        Noun,
        Adjective,
        Ing,
    }

    /// <summary>Words between two signs that end a phrase, each with what it is here. A doubtful word ends one too.</summary>
    private IEnumerable<List<Token>> Runs(Sentence sentence)
    {
        var run = new List<(string Written, string Word)>();
        foreach (var word in sentence.Words)
        {
            var tokens = Tokens.Of(word.Text);
            if (tokens.Count != 1 || word.Confidence < Study.Facts.QuotableSentence.SureEnough)
            {
                if (run.Count > 0)
                {
                    yield return Tag(run);
                    run = [];
                }

                continue;
            }

            run.Add((word.Text.Trim('.', ',', ';', ':', '!', '?', '"', '“', '”', '(', ')', '…'), tokens[0]));
            if (!char.IsLetterOrDigit(word.Text[^1]))
            {
                yield return Tag(run);
                run = [];
            }
        }

        if (run.Count > 0)
        {
            yield return Tag(run);
        }
    }

    private List<Token> Tag(List<(string Written, string Word)> run)
    {
        var tagged = new List<Token>(run.Count);
        for (var i = 0; i < run.Count; i++)
        {
            var (written, word) = run[i];
            var before = i > 0 ? tagged[i - 1] : null;
            var next = i + 1 < run.Count ? run[i + 1].Word : "";
            tagged.Add(new Token(written, word, KindOf(word, written, i, before, next)));
        }

        return tagged;
    }

    private Kind KindOf(string word, string written, int at, Token? before, string next)
    {
        if (Articles.Contains(word))
        {
            return Kind.Article;
        }

        if (Joining.Contains(word))
        {
            return Kind.Joining;
        }

        if (SaysNothing(word) || (word.Contains('\'') && !word.EndsWith("'s", StringComparison.Ordinal)) || IrregularForms.IsPast(word))
        {
            return Kind.Other;
        }

        if (before is not null && BeforeVerbs.Contains(before.Word))
        {
            return Kind.Other;
        }

        var kinds = lexicon.KindsOf(word);
        var inside = before?.Kind is Kind.Article or Kind.Adjective or Kind.Noun or Kind.Joining;
        if (kinds.Total == 0)
        {
            // Unknown: a name or a term of the trade, unless it looks like a verb or an adverb.
            return word.EndsWith("ly", StringComparison.Ordinal) ? Kind.Other : Kind.Noun;
        }

        if (lexicon.IsVerbForm(word, "ing"))
        {
            return kinds.NounShare >= MostlyNoun && inside ? Kind.Noun : Kind.Ing;
        }

        if (lexicon.IsVerbForm(word, "ed"))
        {
            return inside ? Kind.Adjective : Kind.Other;
        }

        // "The crust tears", "lime works": after a noun that is one, an ending in -s is rather the verb's.
        if (before?.Kind == Kind.Noun && word.EndsWith('s') && !before.Word.EndsWith('s') && kinds.VerbShare > SometimesVerb && kinds.NounShare < NearlyAlwaysNoun)
        {
            return Kind.Other;
        }

        var takesObject = Articles.Contains(next) || BeforeVerbs.Contains(next);
        if (kinds.NounShare >= MostlyNoun || (inside && kinds.NounShare >= SometimesNoun && kinds.AdjectiveShare < MostlyAdjective && !(takesObject && kinds.VerbShare > kinds.NounShare)))
        {
            return takesObject && kinds.VerbShare > 0.2 && before?.Kind is Kind.Noun ? Kind.Other : Kind.Noun;
        }

        return kinds.AdjectiveShare >= MostlyAdjective ? Kind.Adjective : Kind.Other;
    }

    private IEnumerable<NamingPhrase> InRun(List<Token> run, int sentence)
    {
        for (var i = 0; i < run.Count; i++)
        {
            if (run[i].Kind is Kind.Noun or Kind.Adjective && (i == 0 || run[i - 1].Kind is not (Kind.Noun or Kind.Adjective)))
            {
                var end = NounEnd(run, i);
                if (end > i)
                {
                    // Every right part of it names something too: "shallow water", "water".
                    for (var from = i; from < end; from++)
                    {
                        yield return Phrase(run, from, end, sentence);
                    }

                    if (AfterJoining(run, end) is { } further)
                    {
                        yield return Phrase(run, i, further, sentence, PhraseForm.ThingOf);
                    }

                    if (AfterAnd(run, end) is { } both && run[end - 1].Word != run[both - 1].Word)
                    {
                        yield return Phrase(run, i, both, sentence, PhraseForm.Pair);
                    }
                }
            }
            else if (run[i].Kind == Kind.Ing && i + 1 < run.Count)
            {
                var from = run[i + 1].Kind == Kind.Article ? i + 2 : i + 1;
                var end = from < run.Count ? NounEnd(run, from) : from;
                if (end > from)
                {
                    yield return Phrase(run, i, end, sentence, PhraseForm.Doing);
                }
            }
            else
            {
                foreach (var doing in Doing(run, i, sentence))
                {
                    yield return doing;
                }
            }
        }
    }

    /// <summary>What somebody does or is told to do with a thing: "then you cut the curd" makes "cutting the curd".</summary>
    private IEnumerable<NamingPhrase> Doing(List<Token> run, int at, int sentence)
    {
        var does = run[at].Kind == Kind.Other && (at == 0 || Doers.Contains(run[at - 1].Word)) && !(at > 1 && Denying(run[at - 2].Word));
        if (!does || at + 1 >= run.Count || lexicon.VerbOf(run[at].Word) is not { } verb || EmptyVerbs.Contains(verb) || lexicon.KindsOf(verb).VerbShare < OftenVerb || run[at].Word.EndsWith('s'))
        {
            yield break;
        }

        var with = run[at + 1].Kind == Kind.Joining ? 1 : 0;
        var article = at + 1 + with;
        var hasArticle = article < run.Count && run[article].Kind == Kind.Article;
        var from = hasArticle ? article + 1 : article;
        var end = from < run.Count ? NounEnd(run, from) : from;
        if (end <= from || (hasArticle && !PlainArticles.Contains(run[article].Word)))
        {
            yield break;
        }

        var lead = VerbForms.Gerund(verb) + (with > 0 ? " " + run[at + 1].Word : "") + (hasArticle ? run[article].Word is "a" or "an" ? " " + run[article].Word : " the" : "");
        yield return Done(end);
        if (AfterJoining(run, end) is { } further && further - from <= LongestWords - 2)
        {
            yield return Done(further);
        }

        NamingPhrase Done(int until)
        {
            var thing = Phrase(run, from, until, sentence);
            return thing with { Text = $"{lead} {thing.Text}", Content = [Tokens.Stem(verb), .. thing.Content], Form = PhraseForm.Doing };
        }
    }

    private static bool Denying(string word) => word is "not" or "never" or "don't" or "can't" or "cannot" || word.EndsWith("n't", StringComparison.Ordinal);

    /// <summary>The end of "and sand" or "or sand" after a noun.</summary>
    private static int? AfterAnd(List<Token> run, int end)
    {
        if (end >= run.Count || run[end].Word is not ("and" or "or"))
        {
            return null;
        }

        var from = end + 1 < run.Count && run[end + 1].Kind == Kind.Article ? end + 2 : end + 1;
        var further = from < run.Count ? NounEnd(run, from) : from;
        return further > from ? further : null;
    }

    /// <summary>The end of a run of adjectives and nouns that ends with a noun; where it begins, if there is none.</summary>
    private static int NounEnd(List<Token> run, int from)
    {
        var end = from;
        for (var i = from; i < run.Count && i - from < LongestNoun && run[i].Kind is Kind.Noun or Kind.Adjective; i++)
        {
            end = run[i].Kind == Kind.Noun && !run[i].Word.EndsWith("'s", StringComparison.Ordinal) ? i + 1 : end;
        }

        return end;
    }

    /// <summary>The end of "of the water" after a noun.</summary>
    private static int? AfterJoining(List<Token> run, int end)
    {
        if (end >= run.Count || run[end].Kind != Kind.Joining)
        {
            return null;
        }

        var from = end + 1 < run.Count && run[end + 1].Kind == Kind.Article ? end + 2 : end + 1;
        var further = from < run.Count ? NounEnd(run, from) : from;
        return further > from ? further : null;
    }

    private static NamingPhrase Phrase(List<Token> run, int from, int end, int sentence, PhraseForm form = PhraseForm.Thing)
    {
        var words = run.GetRange(from, Math.Min(end - from, LongestWords));
        return new NamingPhrase(
            string.Join(' ', words.Select(w => w.Written)),
            words.Where(w => w.Kind is Kind.Noun or Kind.Adjective or Kind.Ing).Select(w => Tokens.Stem(w.Word)).ToList(),
            sentence,
            form);
    }
}
