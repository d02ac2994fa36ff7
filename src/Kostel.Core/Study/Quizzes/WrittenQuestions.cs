using System.Text.Json.Serialization;

namespace Kostel.Core.Study.Quizzes;

/// <summary>A question whose answer is written.</summary>
/// <param name="Stem">What is asked.</param>
/// <param name="Answer">What the lecture says.</param>
public abstract record WrittenQuestion(string Stem, string Answer) : QuestionContent(Stem)
{
    private const int LongestAnswer = 500;

    /// <summary>Other words that say the same, each as a whole answer; null for none.</summary>
    public IReadOnlyList<string>? Also { get; init; }

    /// <summary>The same, right also in other words; a number has none.</summary>
    internal WrittenQuestion WithAlso(Func<string, IReadOnlyList<string>> saying) => this is not NumberQuestion && saying(Answer) is { Count: > 0 } also ? this with { Also = also } : this;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Texts => [Stem, Answer];

    /// <inheritdoc/>
    [JsonIgnore]
    public override QuizAnswer Solution => new([], Answer);

    /// <inheritdoc/>
    [JsonIgnore]
    public override bool IsSound => base.IsSound && (Also ?? []).All(a => !string.IsNullOrWhiteSpace(a));

    /// <inheritdoc/>
    public override bool Takes(QuizAnswer answer) => answer.Chosen.Count == 0 && answer.Text is not { Length: > LongestAnswer };

    /// <inheritdoc/>
    public override bool IsRight(QuizAnswer answer) => answer.Text is { } text && (Also ?? []).Prepend(Answer).Any(a => WordedAnswer.IsTheSame(text, a));
}

/// <summary>A statement with a gap that is to be filled.</summary>
public sealed record GapQuestion(string Stem, string Answer) : WrittenQuestion(Stem, Answer)
{
    internal const string Name = "gap";

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Kind => Name;

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => this with { Stem = texts[0], Answer = texts[1] };
}

/// <summary>A question that a few words answer.</summary>
public sealed record ShortQuestion(string Stem, string Answer) : WrittenQuestion(Stem, Answer)
{
    internal const string Name = "short";

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Kind => Name;

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => this with { Stem = texts[0], Answer = texts[1] };
}

/// <summary>A statement whose number is to be given.</summary>
/// <param name="Stem">The statement with a gap.</param>
/// <param name="Answer">The number with its unit, as it was said.</param>
/// <param name="IsRough">The lecture says "about" of it, so that numbers near it are right too.</param>
public sealed record NumberQuestion(string Stem, string Answer, bool IsRough) : WrittenQuestion(Stem, Answer)
{
    internal const string Name = "number";

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Kind => Name;

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => this with { Stem = texts[0], Answer = texts[1] };

    /// <inheritdoc/>
    public override bool IsRight(QuizAnswer answer) => answer.Text is { } text && NumberAnswer.IsTheSame(text, Answer, IsRough);
}
