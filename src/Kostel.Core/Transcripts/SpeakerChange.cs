namespace Kostel.Core.Transcripts;

/// <summary>Gives the words of a transcript to other speakers.</summary>
public static class SpeakerChange
{
    /// <summary>The transcript with the words given to new voices. Chapters stay; a voice with most of whose words somebody spoke before keeps that name.</summary>
    /// <param name="voices">For each word the number of its voice, from 0 in order of appearance.</param>
    public static Transcript Apply(Transcript before, IReadOnlyList<int> voices)
    {
        var words = before.Passages.SelectMany(p => p.Words.Select(w => (Word: w, p.SpeakerId))).ToList();
        var count = voices.Count == 0 ? 0 : voices.Max() + 1;
        var speakers = Enumerable.Range(1, count).Select(Speaker.Unnamed).ToList();
        var shared = words.Zip(voices, (w, v) => (w.SpeakerId, Voice: v)).CountBy(p => p).OrderByDescending(p => p.Value);
        var free = before.Speakers.ToDictionary(s => s.Id);
        var named = new Dictionary<int, string>();
        foreach (var ((id, voice), _) in shared)
        {
            if (!named.ContainsKey(voice) && free.Remove(id, out var speaker))
            {
                named[voice] = speaker.Name;
            }
        }

        // A name that is only a number is given anew, so that the numbers go up.
        speakers = speakers.Select((s, v) => named.TryGetValue(v, out var name) && !Speaker.IsUnnamed(name) ? s with { Name = name } : s).ToList();
        var passages = PassageBuilder.Build(
            words.ConvertAll(w => w.Word), voices.Select(v => speakers[v].Id).ToList(), before.Chapters.Skip(1).Select(c => c.StartMs).ToHashSet());
        return before with { Speakers = speakers, Passages = passages };
    }
}
