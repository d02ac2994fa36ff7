using System.Text.Json;
using FsCheck.Xunit;
using Kostel.Core.Study;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Transcripts.Edits;

public class EditPropertyTests
{
    private static readonly Transcript Start = Lecture.Of(Lecture.DemoParagraphs("09-fog"));

    [Property(MaxTest = 300)]
    public void Any_sequence_of_edits_keeps_words_in_order_and_inside_the_lecture(int seed)
    {
        var random = new Random(seed);
        var now = Start;
        for (var i = 0; i < 15 && now.Passages.Count > 0; i++)
        {
            now = RandomEdits.Try(now, RandomEdits.Draw(now, random));
            RequireSound(now);
        }
    }

    /// <summary>The patches go through JSON, as they are stored.</summary>
    [Property(MaxTest = 200)]
    public void Undo_returns_the_exact_earlier_state_and_redo_the_later_one(int seed)
    {
        var random = new Random(seed);
        var states = new List<Transcript> { Start };
        var patches = new List<TranscriptPatch>();
        for (var i = 0; i < 12 && states[^1].Passages.Count > 0; i++)
        {
            var next = RandomEdits.Try(states[^1], RandomEdits.Draw(states[^1], random));
            patches.Add(JsonSerializer.Deserialize<TranscriptPatch>(JsonSerializer.Serialize(TranscriptPatch.Between(states[^1], next)))!);
            states.Add(next);
        }

        var now = states[^1];
        for (var i = patches.Count - 1; i >= 0; i--)
        {
            now = patches[i].Reverse().Apply(now);
            Assert.Equal(Json(states[i]), Json(now));
        }

        for (var i = 0; i < patches.Count; i++)
        {
            now = patches[i].Apply(now);
            Assert.Equal(Json(states[i + 1]), Json(now));
        }
    }

    /// <summary>What was made from a sentence keeps its second, and is flagged exactly when the words there are others.</summary>
    [Property(MaxTest = 200)]
    public void A_source_holds_or_is_flagged_after_any_edits(int seed)
    {
        var random = new Random(seed);
        var sources = Sentences.Of(Start.Passages).Select(Evidence.Of).ToList();
        var now = Start;
        for (var i = 0; i < 10 && now.Passages.Count > 0; i++)
        {
            now = RandomEdits.Try(now, RandomEdits.Draw(now, random));
        }

        var check = new SourceCheck(now);
        var words = now.Passages.SelectMany(p => p.Words).ToList();
        foreach (var source in sources)
        {
            var state = check.Of(source);
            var keys = source.Quote.Split(' ').Select(WordDiff.Key).ToList();
            var near = words.Where(w => w.EndMs >= source.StartMs - 1_000 && w.StartMs <= source.EndMs + 1_000).Select(w => WordDiff.Key(w.Text)).ToList();
            if (keys.Except(near).Any())
            {
                Assert.False(state.Holds);
            }

            var own = words.Where(w => w.StartMs >= source.StartMs && w.EndMs <= source.EndMs).Select(w => WordDiff.Key(w.Text)).ToList();
            if (own.SequenceEqual(keys))
            {
                Assert.True(state.Holds);
            }

            if (!state.Holds)
            {
                Assert.NotEqual(string.Join(' ', keys), string.Join(' ', state.NowText.Split(' ').Select(WordDiff.Key)));
            }
        }
    }

    private static void RequireSound(Transcript t)
    {
        var last = 0;
        foreach (var p in t.Passages)
        {
            Assert.NotEmpty(p.Words);
            Assert.Equal(p.Words[0].StartMs, p.StartMs);
            foreach (var w in p.Words)
            {
                Assert.InRange(w.StartMs, last, t.DurationMs);
                Assert.InRange(w.EndMs, w.StartMs, t.DurationMs);
                Assert.DoesNotContain(' ', w.Text);
                last = w.StartMs;
            }
        }

        Assert.Equal(t.Passages.Count, t.Passages.Select(p => p.Id).Distinct().Count());
        Assert.All(t.Passages, p => Assert.Contains(t.Speakers, s => s.Id == p.SpeakerId));
        Assert.Equal(0, t.Chapters[0].StartMs);
        Assert.Equal(t.DurationMs, t.Chapters[^1].EndMs);
        Assert.All(t.Chapters.Zip(t.Chapters.Skip(1)), c => Assert.Equal(c.First.EndMs, c.Second.StartMs));
    }

    private static string Json(Transcript t) => JsonSerializer.Serialize(t);
}
