using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Speakers;

/// <summary>A stretch in which one voice speaks.</summary>
/// <param name="StartMs">From the start of the recording.</param>
/// <param name="EndMs">Exclusive.</param>
/// <param name="Voice">Whoever it is, by any name.</param>
public sealed record Turn(int StartMs, int EndMs, string Voice)
{
    /// <summary>A pause as short as this belongs to whoever speaks before and after it.</summary>
    private const int BreathMs = 500;

    /// <summary>The turns of words and their voices, in order of time.</summary>
    public static IReadOnlyList<Turn> Of(IEnumerable<(Word Word, string Voice)> words)
    {
        var turns = new List<Turn>();
        foreach (var (word, voice) in words)
        {
            if (turns.Count > 0 && turns[^1].Voice == voice && word.StartMs - turns[^1].EndMs < BreathMs)
            {
                turns[^1] = turns[^1] with { EndMs = Math.Max(turns[^1].EndMs, word.EndMs) };
            }
            else
            {
                turns.Add(new Turn(word.StartMs, word.EndMs, voice));
            }
        }

        return turns;
    }

    /// <summary>The turns of a transcript, voices by their names.</summary>
    public static IReadOnlyList<Turn> Of(Transcript transcript)
    {
        var names = transcript.Speakers.ToDictionary(s => s.Id, s => s.Name);
        return Of(transcript.Passages.SelectMany(p => p.Words.Select(w => (w, names.GetValueOrDefault(p.SpeakerId, p.SpeakerId)))));
    }
}
