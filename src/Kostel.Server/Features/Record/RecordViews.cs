using Kostel.Core.Audio;
using Kostel.Core.Marks;
using Kostel.Core.Recordings;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;

namespace Kostel.Server.Features.Record;

/// <summary>A recording that is to begin.</summary>
/// <param name="Agreed">Those who are recorded agree; it is confirmed each time.</param>
/// <param name="KeepsSound">Whether the sound is kept, or only the text.</param>
/// <param name="HeldOn">The person's own day.</param>
public sealed record NewRecording(string Title, string? Course, bool KeepsSound, bool Agreed, DateOnly HeldOn, string? Language = null);

/// <summary>A recording that is not a lecture yet.</summary>
/// <param name="Turn">With it pieces are sent; who takes the recording up gets another one.</param>
/// <param name="NextPiece">The number of the piece that is waited for.</param>
/// <param name="AtMs">How long it is.</param>
public sealed record RecordingView(string Id, string Title, string? Course, bool KeepsSound, DateTime StartedAt, DateTime TouchedAt, int NextPiece, int AtMs, string Turn, IReadOnlyList<RecordedMarkView> Marks)
{
    internal static RecordingView Of(RecordingRow row) =>
        new(row.Id, row.Title, row.Course, row.KeepsSound, row.StartedAt, row.TouchedAt, row.NextPiece, Pcm.ToMs(row.Samples), row.Turn, [.. row.Marks.Select(m => new RecordedMarkView(m.Kind, m.AtMs, m.Text))]);
}

/// <summary>What was marked while it ran.</summary>
public sealed record RecordedMarkView(MarkKind Kind, int AtMs, string Text);

/// <summary>A mark at a moment of the sound.</summary>
public sealed record NewRecordedMark(MarkKind Kind, int AtMs, string Text = "");

/// <summary>How a recording stands after a piece.</summary>
/// <param name="NextPiece">The number of the piece that is waited for: all before it are kept.</param>
/// <param name="Words">Words that stand, from the number that was asked for.</param>
/// <param name="Tentative">What was said last, as far as it is understood.</param>
/// <param name="Problem">Why no words come; null while they do.</param>
public sealed record RecordingText(int NextPiece, int AtMs, IReadOnlyList<Word> Words, IReadOnlyList<Word> Tentative, string? Problem);

/// <summary>What was said in the last minutes.</summary>
/// <param name="About">The matter at hand.</param>
/// <param name="Lines">At most three, as they were said.</param>
public sealed record LostThreadView(IReadOnlyList<string> About, IReadOnlyList<Evidence> Lines)
{
    internal static LostThreadView Of(LostThread found) => new(found.About, found.Lines);
}

/// <summary>Where the lecture is that a recording became.</summary>
public sealed record RecordedLecture(string LectureId);
