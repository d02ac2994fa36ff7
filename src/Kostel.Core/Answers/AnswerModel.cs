namespace Kostel.Core.Answers;

/// <summary>Parts of what speaks for an answer, to be left out one by one when they are measured.</summary>
[Flags]
internal enum AnswerParts
{
    None = 0,

    /// <summary>The words of the question in any form.</summary>
    Words = 1,

    /// <summary>Words that mean the same or are used alike, and directions of meaning.</summary>
    Meaning = 2,

    /// <summary>What stands around a sentence.</summary>
    Windows = 4,

    /// <summary>The kind of question against the kind of sentence.</summary>
    Forms = 8,
}

/// <summary>How much each thing that can be counted speaks for a sentence, and for what may be said of the whole.</summary>
/// <param name="Ranking">By the names of <see cref="Names"/>.</param>
/// <param name="Right">By the names of <see cref="StateNames"/>: that the lecture answers and one of the first lines does it.</param>
/// <param name="Nowhere">By the same: that nothing in the lecture answers.</param>
internal sealed record AnswerModel(double[] Ranking, double[] Right, double[] Nowhere)
{
    /// <summary>What is counted of a sentence by itself; all between 0 and 1.</summary>
    private static readonly string[] OwnNames =
    [
        "words", "words around", "like words", "like words around", "like words wider", "BM25", "BM25 around", "meaning", "meaning of the most", "meaning around", "meaning of the stretch",
        "the most telling word", "the same around", "phrases", "follows the question", "is a question", "length", "hardly anything", "number", "number of that unit", "number comes next",
        "reason", "person", "time", "place", "steps", "says what", "defines it", "something new", "leans on the one before", "the one before", "the one after", "named before", "a task", "a task not asked for", "form and words",
    ];

    /// <summary>What is also set against the most that any sentence of the text has of it.</summary>
    public static readonly string[] AgainstTheMost =
    [
        "words", "words around", "like words", "like words around", "like words wider", "BM25", "BM25 around", "meaning of the stretch",
    ];

    /// <summary>What weighs more or less for a kind of question.</summary>
    public static readonly string[] ByKind = ["like words", "like words around", "something new"];

    /// <summary>The kinds for which it does.</summary>
    public static readonly Wanted[] Kinds = Enum.GetValues<Wanted>();

    /// <summary>What is counted of a sentence; all between 0 and 1.</summary>
    public static readonly string[] Names =
    [
        .. OwnNames, "said before", .. AgainstTheMost.Select(n => $"{n} against the most"), .. Kinds.SelectMany(k => ByKind.Select(n => $"{n} of a {k}")),
    ];

    /// <summary>What is counted of the best place and of the question.</summary>
    public static readonly string[] StateNames =
    [
        "one", "share of the best", "share of four together", "score", "ahead of the next", "words", "words around", "like words", "like words around", "like words wider", "the most telling word", "the same around",
        "meaning", "meaning around", "never said", "like nothing", "wants a number and none is there", "wants a number", "yes or no", "a person", "says what", "words of the question", "follows the question", "phrases",
        "the most telling word anywhere", "the next telling word anywhere", "foreign words", "the last word anywhere", "the last word around", "the first word around", "the least like word around", "form and words",
        "wants a person and none is there", "like none", "the rarest thing like none", "the rarest other word like none", "wants a number of a unit and none is anywhere",
    ];

    /// <summary>From where on something is called said, and not said: chosen on texts left out, so that nine in ten of the one are right (docs/answers.md).</summary>
    public const double SaidFrom = 0.79, NowhereFrom = 0.81;

    /// <summary>Learned from written questions with what is known of words, and without (docs/answers.md).</summary>
    public static AnswerModel ByWords { get; } = new(LearnedWeights.RankingByWords, LearnedWeights.RightByWords, LearnedWeights.NowhereByWords);

    /// <summary>Learned with it.</summary>
    public static AnswerModel Learned { get; } = new(LearnedWeights.Ranking, LearnedWeights.Right, LearnedWeights.Nowhere);

    /// <summary>What may be said of a ranked answer.</summary>
    public AnswerState StateOf(RankedAnswer ranked) =>
        Probability(Right, ranked.State) >= SaidFrom ? AnswerState.Said : Probability(Nowhere, ranked.State) >= NowhereFrom ? AnswerState.NotSaid : AnswerState.Perhaps;

    /// <summary>The weighted sum.</summary>
    public static double Sum(double[] weights, double[] of)
    {
        var sum = 0.0;
        for (var i = 0; i < weights.Length; i++)
        {
            sum += weights[i] * of[i];
        }

        return sum;
    }

    /// <summary>The logistic function of the weighted sum.</summary>
    public static double Probability(double[] weights, double[] of) => 1 / (1 + Math.Exp(-Sum(weights, of)));
}
