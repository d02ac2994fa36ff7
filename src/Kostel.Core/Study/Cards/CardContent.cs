using System.Text.Json.Serialization;

namespace Kostel.Core.Study.Cards;

/// <summary>What a card asks and what it answers, in the form of its kind.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(QuestionCard), "question")]
[JsonDerivedType(typeof(GapCard), "gap")]
[JsonDerivedType(typeof(PictureCard), "picture")]
public abstract record CardContent
{
    /// <summary>What stands for the words that are to be recalled.</summary>
    public const string Gap = "____";

    /// <summary>What is asked; understandable without the lecture.</summary>
    [JsonIgnore]
    public abstract string Front { get; }

    /// <summary>What to recall.</summary>
    [JsonIgnore]
    public abstract string Back { get; }

    /// <summary>Name of the file of the picture that is shown with what is asked; null where there is none.</summary>
    [JsonIgnore]
    public virtual string? PictureFile => null;

    /// <summary>The same kind of card with other words.</summary>
    public abstract CardContent Worded(string front, string back);

    /// <summary>A card of two texts: with a gap where the first has one, else a question.</summary>
    public static CardContent Of(string front, string back) =>
        front.Contains(Gap, StringComparison.Ordinal) ? new GapCard(front, back) : new QuestionCard(front, back);

    /// <summary>The same with a picture, where there is one.</summary>
    public static CardContent Of(string front, string back, string? picture) => picture is null ? Of(front, back) : new PictureCard(front, back, picture);
}

/// <summary>A question and its answer.</summary>
public sealed record QuestionCard(string Question, string Answer) : CardContent
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override string Front => Question;

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Back => Answer;

    /// <inheritdoc/>
    public override CardContent Worded(string front, string back) => new QuestionCard(front, back);
}

/// <summary>A statement in which something is left out.</summary>
/// <param name="Statement">With <see cref="CardContent.Gap"/> in place of what is missing.</param>
public sealed record GapCard(string Statement, string Missing) : CardContent
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override string Front => Statement;

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Back => Missing;

    /// <inheritdoc/>
    public override CardContent Worded(string front, string back) => Of(front, back);
}

/// <summary>A question that is asked with a picture: a moment of the video, or what the person put beside the lecture.</summary>
/// <param name="Question">Asked below the picture; it may have a <see cref="CardContent.Gap"/>.</param>
/// <param name="Picture">Name of the picture's file in the lecture's folder.</param>
public sealed record PictureCard(string Question, string Answer, string Picture) : CardContent
{
    /// <inheritdoc/>
    [JsonIgnore]
    public override string Front => Question;

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Back => Answer;

    /// <inheritdoc/>
    [JsonIgnore]
    public override string? PictureFile => Picture;

    /// <inheritdoc/>
    public override CardContent Worded(string front, string back) => new PictureCard(front, back, Picture);
}
