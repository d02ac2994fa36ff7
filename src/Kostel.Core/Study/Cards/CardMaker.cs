using System.Globalization;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Spanish;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>A card that could be made of one place of a lecture.</summary>
public sealed record CardDraft(CardContent Content, Evidence Source)
{
    /// <summary>A question and its answer.</summary>
    public static CardDraft Asking(string question, string answer, Evidence source) => new(new QuestionCard(question, answer), source);

    /// <summary>The part of the source that it asks about, where that is less than the whole.</summary>
    public Evidence Asks { get; init; } = Source;

    /// <summary>Whether it is another card from its other side.</summary>
    public bool IsReversed { get; init; }

    /// <summary>Names it where several cards ask about one place; null where the place does.</summary>
    public string? Name { get; init; }

    /// <summary>What it asks about, whatever its wording: a card is made once for each, and once from its other side.</summary>
    public string Key => Name ?? (IsReversed ? $"{Asks.Key}-reversed" : Asks.Key);

    /// <summary>The same from its other side; null where that asks nothing.</summary>
    public CardDraft? Reversed() => ReversedCards.Of(Content) is { } content ? this with { Content = content, IsReversed = true } : null;

    /// <summary>Whether a card that is there asks about the same.</summary>
    /// <param name="key">Its key; one of another form, from before there were keys, stands for the whole of its source.</param>
    /// <param name="source">What it rests on.</param>
    public bool AsksTheSameAs(string key, Evidence source) =>
        Name is not null ? key == Name : key == Source.Key || Asks.IsSamePlace(key.Split('-') is [var from, var to, ..] && int.TryParse(from, NumberStyles.None, CultureInfo.InvariantCulture, out var start)
            && int.TryParse(to, NumberStyles.None, CultureInfo.InvariantCulture, out var end)
                ? source with { StartMs = start, EndMs = end }
                : source);
}

/// <summary>Makes cards of what a lecture defines, names, measures and explains. A card asks one thing.</summary>
public static class CardMaker
{
    private const double DefinitionWorth = 1.5, NamingWorth = 1.7, ConditionWorth = 0.5, ReasonWorth = 0.9, ListWorth = 1.2, PartOfSentence = 0.2, LastResort = 6, Unconfirmed = 2, SameChapter = 0.3, FactShare = 4;

    /// <summary>Cards whose sources share this much of the words of the shorter one ask the same.</summary>
    private const double SameWords = 0.7;

    private const int ShortestMeaning = 3, LongestMeaning = 26;

    /// <summary>The best cards, spread over the chapters, in the order of the lecture.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="count">How many are wanted; fewer come when the lecture has no more that is worth a card.</param>
    /// <param name="grammar">Tells what is a phrase; without it fewer statements can be asked about.</param>
    /// <param name="isWanted">Which may be made; null for all.</param>
    public static IReadOnlyList<CardDraft> Make(Transcript transcript, int count = 10, IGrammar? grammar = null, Func<CardDraft, bool>? isWanted = null) => Make(new StudyGround(transcript, grammar), count, isWanted);

    /// <summary>The same of what was worked out already.</summary>
    public static IReadOnlyList<CardDraft> Make(StudyGround ground, int count = 10, Func<CardDraft, bool>? isWanted = null)
    {
        if (!StudyLanguages.MakesCards(ground.Transcript.Language))
        {
            return [];
        }

        if (StudyLanguages.IsSpanish(ground.Transcript.Language))
        {
            return SpanishStudy.Cards(ground, count, isWanted);
        }

        var (sentences, importance, facts, statements) = (ground.Sentences, ground.Importance, ground.Facts, ground.Statements);
        var gaps = ground.HasGrammar ? null : new GapCards(sentences);
        var candidates = sentences
            .SelectMany((s, i) => facts.IsOfCourse(i) || statements.IllFormed.Contains(i) || StandingAlone.IsTalk(s.Text) ? [] : Candidates(i, ground).Concat(Gap(s)))
            .Concat(ground.Asked.SelectMany(Fact))
            .Where(c => isWanted?.Invoke(c.Card) != false && !AsksInHalf(c.Card, ground))
            .ToList();

        IEnumerable<Candidate> Gap(Sentence sentence) =>
            gaps?.Of(sentence) is { } card ? [new Candidate(card, ground.ChapterAt(sentence.StartMs), importance.Of(sentence) - LastResort, null)] : [];

        IEnumerable<Candidate> Fact(Statement statement) =>
            facts.CanBeAsked(statement) && DoingQuestion.Of(statement) is var (question, answer) ? [new Candidate(CardDraft.Asking(question, answer, statement.Source) with { Asks = statement.Own }, ground.ChapterAt(statement.Part.StartMs), (FactShare * FactGaps.Worth(statement)) - LastResort, null) { Said = statement.Part }]
            : facts.Of(statement) is { } gap ? [new Candidate(gap.Card, ground.ChapterAt(statement.Part.StartMs), (FactShare * FactGaps.Worth(gap)) - LastResort, null) { Said = statement.Part }] : [];

        var chosen = new List<Candidate>();
        while (chosen.Count < count && candidates.Count > 0)
        {
            // Every card that a chapter has already makes its next one worth less.
            var best = candidates.MaxBy(c => c.Score - (SameChapter * chosen.Count(x => x.Chapter == c.Chapter)))!;
            chosen.Add(best);
            candidates.RemoveAll(c => Overlaps(best, c));
        }

        return chosen.OrderBy(c => c.Card.Source.StartMs).Select(c => c.Card).ToList();
    }

    /// <summary>"When it cools the skin goes stiff, while …": the comma stands elsewhere than between the condition and what follows, as the grammar tells.</summary>
    private static bool AsksInHalf(CardDraft card, StudyGround ground)
    {
        if (card.Content is not QuestionCard { Front: var front } || !front.EndsWith(StatementCards.WhatFollows, StringComparison.Ordinal))
        {
            return false;
        }

        var condition = Tokens.Of(front[..^StatementCards.WhatFollows.Length]).Count;
        return ground.Statements.All.FirstOrDefault(s => s.Part.StartMs <= card.Asks.StartMs && s.Part.EndMs >= card.Asks.EndMs) is { Grammar: { IsWhole: true } grammar } statement
            && statement.Part.Words.TakeWhile(w => w.StartMs < card.Asks.StartMs).Count() is var from
            && !grammar.Root.All().Any(p => p.Label.Length > 0 && p.First <= from + 1 && p.End == from + condition);
    }

    private static IEnumerable<Candidate> Candidates(int at, StudyGround ground)
    {
        var (sentence, before) = (ground.Sentences[at], at > 0 ? ground.Sentences[at - 1] : null);
        var (chapter, importance) = (ground.ChapterAt(sentence.StartMs), ground.Importance);
        if (NamingCards.Of(sentence, before, at > 1 ? ground.Sentences[at - 2] : null) is { } naming)
        {
            yield return new Candidate(naming.Card, chapter, importance.Of(before ?? sentence) + NamingWorth, naming.Term);
        }

        if (Reasons.Of(ground.Sentences, at) is { } reason && !IsOnlyNamed(at, ground))
        {
            yield return new Candidate(reason.Card, chapter, importance.Of(sentence) + ReasonWorth, null);
        }

        if (NamedLists.Of(sentence) is { } list)
        {
            yield return new Candidate(list, chapter, importance.Of(sentence) + ListWorth, null);
        }

        var whole = OfWhole(sentence, chapter, importance).ToList();
        foreach (var candidate in whole)
        {
            yield return candidate;
        }

        CardDraft InSentence(CardDraft card) => card with { Source = Evidence.Of(sentence), Asks = card.Source };
        foreach (var clause in Clauses.Of(sentence).Where(QuotableSentence.IsHeardWell))
        {
            if (Definitions.Find(clause) is { } definition && Fits(definition) && whole.TrueForAll(w => w.Term != definition.Term))
            {
                yield return new Candidate(InSentence(OfDefinition(definition)), chapter, importance.Of(clause) + Worth(definition, importance) - PartOfSentence, definition.Term);
            }
            else if (whole.Count == 0 && QuotableSentence.IsSelfContainedCondition(clause) && StatementCards.OfCondition(clause) is { } condition)
            {
                yield return new Candidate(InSentence(condition), chapter, importance.Of(clause) + ConditionWorth - PartOfSentence, null);
            }
        }
    }

    /// <summary>"Hence the flags of convenience.": something is named there, and nothing said of it.</summary>
    private static bool IsOnlyNamed(int at, StudyGround ground) => Tokens.Of(ground.Sentences[at].Text) is ["hence" or "therefore" or "consequently", ..] said && !said.Any(StandingAlone.Carries)
        && ground.Statements.All.Where(s => s.Sentence == at).ToList() is { Count: > 0 } parts && parts.TrueForAll(p => p.Grammar is { } grammar && MainClause.Of(grammar) is null);

    private static IEnumerable<Candidate> OfWhole(Sentence sentence, int chapter, Importance importance)
    {
        if (!QuotableSentence.IsHeardWell(sentence))
        {
            yield break;
        }

        var score = importance.Of(sentence);
        if (Definitions.Find(sentence) is { } definition && Fits(definition))
        {
            yield return new Candidate(OfDefinition(definition), chapter, score + Worth(definition, importance), definition.Term);
        }
        else if (QuotableSentence.IsSelfContainedCondition(sentence) && StatementCards.OfCondition(sentence) is { } condition)
        {
            yield return new Candidate(condition, chapter, score + ConditionWorth, null);
        }
        else if (QuotableSentence.IsSelfContained(sentence))
        {
            foreach (var (card, worth) in StatementCards.Of(sentence))
            {
                yield return new Candidate(card, chapter, score + worth, null);
            }
        }
    }

    /// <summary>A name that is the answer and is said nowhere else may be misheard: nothing confirms it.</summary>
    private static double Worth(Definition definition, Importance importance) =>
        DefinitionWorth - (definition.TermIsAnswer && importance.Uses(definition.Term) <= 1 ? Unconfirmed : 0);

    private static bool Fits(Definition definition)
    {
        var words = Tokens.Of(definition.Meaning);
        return words.Count is >= ShortestMeaning and <= LongestMeaning
            && words[^1] is not ("it" or "them" or "that")
            && words[0] != "it"
            && !words.Any(w => w is "this" or "these" or "those" or "here" or "tonight" or "example")
            && !words.Zip(words.Skip(1)).Any(p => p.First is "which" or "where" && p.Second is "it" or "they")
            && !(definition.TermIsAnswer && IsSentence(words));
    }

    /// <summary>"The fourth is the modern one": what is said before its name is a sentence, and not what has the name.</summary>
    private static bool IsSentence(IReadOnlyList<string> words) =>
        words.TakeWhile(w => w is not ("that" or "which" or "who" or "what" or "where" or "when" or "if" or "how")).Skip(1).Any(WordForms.IsBeing);

    private static CardDraft OfDefinition(Definition definition)
    {
        var source = Evidence.Of(definition.Sentence);
        var verb = definition.IsPlural ? "are" : "is";
        return definition.TermIsAnswer
            ? CardDraft.Asking($"What {verb} {definition.Meaning} called?", $"{WordForms.Capital(definition.Named)}.", source)
            : CardDraft.Asking($"What {verb} {definition.Named}?", $"{WordForms.Capital(definition.Meaning)}.", source);
    }

    private static bool Overlaps(Candidate a, Candidate b)
    {
        if (a.Term is not null && b.Term is not null)
        {
            return a.Term == b.Term;
        }

        if (a.Card.Asks.StartMs == b.Card.Asks.StartMs)
        {
            return true;
        }

        return a.Stems.Count(b.Stems.Contains) >= SameWords * Math.Min(a.Stems.Count, b.Stems.Count);
    }

    private sealed record Candidate(CardDraft Card, int Chapter, double Score, string? Term)
    {
        /// <summary>The statement it is of, without what that leans on; null where its source is all of it.</summary>
        public Sentence? Said { get; init; }

        public HashSet<string> Stems => stems ??= [.. Tokens.ContentStems(Said?.Text ?? Card.Source.Quote)];

        private HashSet<string>? stems;
    }
}
