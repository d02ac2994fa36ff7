using System.Text.Json.Serialization;
using Kostel.Core.Problems;

namespace Kostel.Core.Transcripts.Edits;

/// <summary>An edit cannot be done; the message says why in plain words.</summary>
public sealed class EditRefusedException(string message) : KnownProblemException(ProblemCodes.EditRefused, message);

/// <summary>The text that an edit was made on has been changed meanwhile; nothing was done.</summary>
/// <param name="passageId">Where.</param>
public sealed class EditConflictException(string passageId) : KnownProblemException(ProblemCodes.PassageChanged, "This passage was changed in another window meanwhile.")
{
    /// <summary>The passage that reads otherwise now, or is gone.</summary>
    public string PassageId => passageId;
}

/// <summary>A change that a person makes to a transcript.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(RewritePassage), "rewrite")]
[JsonDerivedType(typeof(ReplaceWords), "replace")]
[JsonDerivedType(typeof(AcceptWords), "accept")]
[JsonDerivedType(typeof(SplitPassage), "split")]
[JsonDerivedType(typeof(JoinPassage), "join")]
[JsonDerivedType(typeof(MoveBoundary), "boundary")]
[JsonDerivedType(typeof(GivePassage), "give")]
[JsonDerivedType(typeof(ChangeSpeaker), "speaker")]
[JsonDerivedType(typeof(ChangeChapter), "chapter")]
[JsonDerivedType(typeof(BeginChapter), "beginChapter")]
[JsonDerivedType(typeof(MoveChapter), "moveChapter")]
[JsonDerivedType(typeof(EndChapter), "endChapter")]
[JsonDerivedType(typeof(Respell), "respell")]
public abstract record TranscriptEdit
{
    /// <summary>What it does, to stand after "Undo: ".</summary>
    [JsonIgnore]
    public abstract string What { get; }

    /// <summary>The transcript after the edit. Passages that it does not touch stay the same objects.</summary>
    /// <exception cref="EditRefusedException">It cannot be done.</exception>
    /// <exception cref="EditConflictException">The text is not the one that the edit was made on.</exception>
    public abstract Transcript Apply(Transcript transcript);
}

/// <summary>The text of a passage is typed anew. Without words the passage goes.</summary>
/// <param name="Expected">The passage's text when the person began.</param>
public sealed record RewritePassage(string PassageId, string Expected, string Text) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "a correction";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => PassageEdits.Rewrite(transcript, PassageId, Expected, Text);
}

/// <summary>Words of a passage and what is to stand in their place.</summary>
/// <param name="Expected">The words as they stand there.</param>
public sealed record WordReplacement(string PassageId, int FirstWord, int WordCount, string Expected, string Text);

/// <summary>Words at one or many places are replaced.</summary>
public sealed record ReplaceWords(IReadOnlyList<WordReplacement> Places) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => Places.Count == 1 ? "a correction" : $"{Places.Count} corrections";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => PassageEdits.Replace(transcript, Places);
}

/// <summary>Words that the recogniser was unsure of are right.</summary>
public sealed record AcceptWords(string PassageId, int FirstWord, int WordCount, string Expected) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "a word found right";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => PassageEdits.Accept(transcript, this);
}

/// <summary>A passage becomes two.</summary>
/// <param name="AtWord">The word that begins the second.</param>
public sealed record SplitPassage(string PassageId, string Expected, int AtWord) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "a passage split";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => PassageEdits.Split(transcript, PassageId, Expected, AtWord);
}

/// <summary>A passage is joined to the one before it, whose speaker it takes.</summary>
public sealed record JoinPassage(string PassageId, string Expected) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "passages joined";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => PassageEdits.Join(transcript, PassageId, Expected);
}

/// <summary>The border between a passage and the one before it moves.</summary>
/// <param name="Words">So many of its first words go to the passage before; if negative, so many come from there.</param>
public sealed record MoveBoundary(string PassageId, string Expected, int Words) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "a border moved";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => PassageEdits.Move(transcript, PassageId, Expected, Words);
}

/// <summary>A passage is another speaker's.</summary>
/// <param name="SpeakerId">Who; null for somebody new.</param>
/// <param name="NewName">The name of somebody new; a number without.</param>
public sealed record GivePassage(string PassageId, string? SpeakerId = null, string? NewName = null) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "another speaker";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => SpeakerEdits.Give(transcript, this);
}

/// <summary>A speaker is named once for all, or said to be the one who asks.</summary>
public sealed record ChangeSpeaker(string SpeakerId, string? Name = null, bool? Asks = null) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => Name is null ? "who asks" : "a name";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => SpeakerEdits.Change(transcript, this);
}

/// <summary>A chapter gets another title.</summary>
public sealed record ChangeChapter(int StartMs, string Title) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "a chapter's title";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => ChapterEdits.Rename(transcript, StartMs, Title);
}

/// <summary>A chapter begins at a passage.</summary>
public sealed record BeginChapter(string PassageId, string Title) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "a new chapter";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => ChapterEdits.Begin(transcript, PassageId, Title);
}

/// <summary>A chapter begins earlier or later, at another passage; the one before it ends there.</summary>
public sealed record MoveChapter(int StartMs, string PassageId) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "a chapter's beginning";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => ChapterEdits.Move(transcript, StartMs, PassageId);
}

/// <summary>A chapter is joined to the one before it.</summary>
public sealed record EndChapter(int StartMs) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "chapters joined";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => ChapterEdits.Join(transcript, StartMs);
}

/// <summary>The whole is written in one spelling.</summary>
public sealed record Respell(Text.Spelling Spelling) : TranscriptEdit
{
    /// <inheritdoc/>
    public override string What => "another spelling";

    /// <inheritdoc/>
    public override Transcript Apply(Transcript transcript) => PassageEdits.Respell(transcript, Spelling);
}
