using System.Text.Json.Serialization;

namespace Kostel.Core.Study.Quizzes;

/// <summary>What a question of a quiz asks, in the form of its kind.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(ChoiceQuestion), "choice")]
public abstract record QuestionContent(string Stem)
{
    /// <summary>Its texts, in an order that stays.</summary>
    [JsonIgnore]
    public abstract IReadOnlyList<string> Texts { get; }

    /// <summary>The same question with other words.</summary>
    /// <param name="texts">As many as <see cref="Texts"/> has, in its order.</param>
    public abstract QuestionContent With(IReadOnlyList<string> texts);
}

/// <summary>A choice question with one key.</summary>
/// <param name="Stem">A whole question.</param>
/// <param name="Choices">Three or four, alike in form; none says "all of the above".</param>
/// <param name="Key">Index of the right one.</param>
public sealed record ChoiceQuestion(string Stem, IReadOnlyList<string> Choices, int Key) : QuestionContent(Stem)
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Texts => [Stem, .. Choices];

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => new ChoiceQuestion(texts[0], [.. texts.Skip(1)], Key);
}
