using System.Text.Json.Serialization;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Things that are to be put in their order.</summary>
/// <param name="Stem">Which order is meant.</param>
/// <param name="Items">The things, out of order.</param>
/// <param name="Order">Their indices in the order that is right.</param>
public sealed record OrderQuestion(string Stem, IReadOnlyList<string> Items, IReadOnlyList<int> Order) : QuestionContent(Stem)
{
    internal const string Name = "order";

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Kind => Name;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Texts => [Stem, .. Items];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Shown => Items;

    /// <inheritdoc/>
    [JsonIgnore]
    public override QuizAnswer Solution => new(Order);

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => new OrderQuestion(texts[0], [.. texts.Skip(1)], Order);

    /// <inheritdoc/>
    public override bool Takes(QuizAnswer answer) => answer.Text is null && (answer.Chosen.Count == 0 || (answer.Chosen.Count == Items.Count && answer.Chosen.Order().SequenceEqual(Enumerable.Range(0, Items.Count))));

    /// <inheritdoc/>
    public override bool IsRight(QuizAnswer answer) => answer.Chosen.SequenceEqual(Order);
}

/// <summary>Things that are to be matched with what belongs to each.</summary>
/// <param name="Stem">What belongs to what.</param>
/// <param name="Items">The things.</param>
/// <param name="Partners">What they are matched with, out of order, as many.</param>
/// <param name="Pairs">For each thing the index of its partner.</param>
/// <param name="Said">Where each pair is said.</param>
public sealed record MatchQuestion(string Stem, IReadOnlyList<string> Items, IReadOnlyList<string> Partners, IReadOnlyList<int> Pairs, IReadOnlyList<Evidence> Said) : QuestionContent(Stem)
{
    internal const string Name = "match";

    /// <inheritdoc/>
    [JsonIgnore]
    public override string Kind => Name;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Texts => [Stem, .. Items, .. Partners];

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Shown => Items;

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<string> Sides => Partners;

    /// <inheritdoc/>
    [JsonIgnore]
    public override QuizAnswer Solution => new(Pairs);

    /// <inheritdoc/>
    [JsonIgnore]
    public override IReadOnlyList<Evidence> Places => Said;

    /// <inheritdoc/>
    public override QuestionContent In(string? lectureId) => this with { Said = [.. Said.Select(s => s.In(lectureId))] };

    /// <inheritdoc/>
    [JsonIgnore]
    public override bool IsSound => base.IsSound && Items.Count == Partners.Count && Pairs.Distinct().Count() == Items.Count && Said.Count == Items.Count;

    /// <inheritdoc/>
    public override QuestionContent With(IReadOnlyList<string> texts) => new MatchQuestion(texts[0], [.. texts.Skip(1).Take(Items.Count)], [.. texts.Skip(1 + Items.Count)], Pairs, Said);

    /// <inheritdoc/>
    public override bool Takes(QuizAnswer answer) => answer.Text is null && (answer.Chosen.Count == 0 || (answer.Chosen.Count == Items.Count && answer.Chosen.All(c => c >= -1 && c < Partners.Count)));

    /// <inheritdoc/>
    public override bool IsRight(QuizAnswer answer) => answer.Chosen.SequenceEqual(Pairs);
}
