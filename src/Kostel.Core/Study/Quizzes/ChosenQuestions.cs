using System.Text.Json.Serialization;

namespace Kostel.Core.Study.Quizzes;

/// <summary>A choice question with one key.</summary>
/// <param name="Stem">A whole question.</param>
/// <param name="Choices">Three or four, alike in form; none says "all of the above".</param>
/// <param name="Key">Index of the right one.</param>
public sealed record ChoiceQuestion(string Stem, IReadOnlyList<string> Choices, int Key) : QuestionContent(Stem)
{
    internal const string Name = "choice";

    /// <summary>The right choice among wrong ones, in an order of chance.</summary>
    internal static ChoiceQuestion Shuffled(string stem, string right, IEnumerable<string> wrong, Random random)
    {
        var choices = wrong.Append(right).ToArray();
        random.Shuffle(choices);
        return new ChoiceQuestion(stem, choices, Array.IndexOf(choices, right));
    }

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Kind => Name;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Texts => [Stem, .. Choices];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Shown => Choices;

    /// <inheritdoc/>
    [JsonIgnore]
    public override QuizAnswer Solution => QuizAnswer.Of(Key);

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => new ChoiceQuestion(texts[0], [.. texts.Skip(1)], Key);

    /// <inheritdoc/>
    public override bool Takes(QuizAnswer answer) => answer.Text is null && answer.Chosen.Count <= 1 && answer.Chosen.All(c => c >= 0 && c < Choices.Count);

    /// <inheritdoc/>
    public override bool IsRight(QuizAnswer answer) => answer.Chosen is [var one] && one == Key;
}

/// <summary>A question of which several choices are right; all of them and no other have to be chosen.</summary>
/// <param name="Stem">A whole question.</param>
/// <param name="Choices">Right and wrong ones, alike in form.</param>
/// <param name="Keys">Indices of the right ones.</param>
public sealed record SeveralQuestion(string Stem, IReadOnlyList<string> Choices, IReadOnlyList<int> Keys) : QuestionContent(Stem)
{
    internal const string Name = "several";

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Kind => Name;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Texts => [Stem, .. Choices];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Shown => Choices;

    /// <inheritdoc/>
    [JsonIgnore]
    public override QuizAnswer Solution => new(Keys);

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => new SeveralQuestion(texts[0], [.. texts.Skip(1)], Keys);

    /// <inheritdoc/>
    public override bool Takes(QuizAnswer answer) => answer.Text is null && answer.Chosen.All(c => c >= 0 && c < Choices.Count) && answer.Chosen.Distinct().Count() == answer.Chosen.Count;

    /// <inheritdoc/>
    public override bool IsRight(QuizAnswer answer) => answer.Chosen.ToHashSet().SetEquals(Keys);
}
