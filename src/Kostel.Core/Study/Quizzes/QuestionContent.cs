using System.Text.Json.Serialization;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>What a question of a quiz asks, in the form of its kind.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(ChoiceQuestion), ChoiceQuestion.Name)]
[JsonDerivedType(typeof(SeveralQuestion), SeveralQuestion.Name)]
[JsonDerivedType(typeof(GapQuestion), GapQuestion.Name)]
[JsonDerivedType(typeof(ShortQuestion), ShortQuestion.Name)]
[JsonDerivedType(typeof(NumberQuestion), NumberQuestion.Name)]
[JsonDerivedType(typeof(OrderQuestion), OrderQuestion.Name)]
[JsonDerivedType(typeof(MatchQuestion), MatchQuestion.Name)]
public abstract record QuestionContent(string Stem)
{
    /// <summary>The name of its kind.</summary>
    [JsonIgnore]
    public abstract string Kind { get; }

    /// <summary>Its texts, in an order that stays.</summary>
    [JsonIgnore]
    public abstract IReadOnlyList<string> Texts { get; }

    /// <summary>What is chosen from, put in order or matched; none where the answer is written.</summary>
    [JsonIgnore]
    public virtual IReadOnlyList<string> Shown => [];

    /// <summary>What the shown things are matched with; none where nothing is matched.</summary>
    [JsonIgnore]
    public virtual IReadOnlyList<string> Sides => [];

    /// <summary>The answer that is right.</summary>
    [JsonIgnore]
    public abstract QuizAnswer Solution { get; }

    /// <summary>Where each part of it is said, where its parts are said in places of their own.</summary>
    [JsonIgnore]
    public virtual IReadOnlyList<Evidence> Places => [];

    /// <summary>The same as a question of a lecture.</summary>
    public virtual QuestionContent In(string? lectureId) => this;

    /// <summary>The same question with other words.</summary>
    /// <param name="texts">As many as <see cref="Texts"/> has, in its order.</param>
    public abstract QuestionContent With(IReadOnlyList<string> texts);

    /// <summary>Whether an answer can be one to this question: one that chooses only what is there. An answer that is left open always can.</summary>
    public abstract bool Takes(QuizAnswer answer);

    /// <summary>Whether an answer is right.</summary>
    public abstract bool IsRight(QuizAnswer answer);

    /// <summary>Whether it can be asked: its solution is one that can be given, and there is more than one thing to choose from.</summary>
    [JsonIgnore]
    public virtual bool IsSound => Stem.Length > 0 && !Solution.IsOpen && Takes(Solution) && Texts.All(t => !string.IsNullOrWhiteSpace(t));
}
