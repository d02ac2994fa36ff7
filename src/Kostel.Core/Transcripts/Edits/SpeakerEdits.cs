namespace Kostel.Core.Transcripts.Edits;

/// <summary>Edits of who speaks.</summary>
internal static class SpeakerEdits
{
    private const int LongestName = 80, MostSpeakers = 40;

    public static Transcript Give(Transcript transcript, GivePassage edit)
    {
        var at = PassageEdits.IndexOf(transcript, edit.PassageId);
        var speakers = transcript.Speakers.ToList();
        var id = edit.SpeakerId;
        if (id is null)
        {
            if (speakers.Count >= MostSpeakers)
            {
                throw new EditRefusedException($"A lecture has at most {MostSpeakers} speakers.");
            }

            var number = Enumerable.Range(1, MostSpeakers + 1).First(n => speakers.All(s => s.Id != Speaker.Unnamed(n).Id));
            var unnamed = Speaker.Unnamed(number);
            speakers.Add(edit.NewName is null ? unnamed : unnamed with { Name = NameOf(edit.NewName, speakers, unnamed.Id) });
            id = unnamed.Id;
        }
        else if (speakers.All(s => s.Id != id))
        {
            throw new EditRefusedException("This speaker is not there any more.");
        }

        return PassageEdits.With(transcript with { Speakers = speakers }, at, 1, transcript.Passages[at] with { SpeakerId = id });
    }

    public static Transcript Change(Transcript transcript, ChangeSpeaker edit)
    {
        if (transcript.Speakers.All(s => s.Id != edit.SpeakerId))
        {
            throw new EditRefusedException("This speaker is not there any more.");
        }

        var name = edit.Name is null ? null : NameOf(edit.Name, transcript.Speakers, edit.SpeakerId);
        return transcript with
        {
            Speakers = transcript.Speakers
                .Select(s => s.Id == edit.SpeakerId ? s with { Name = name ?? s.Name, Asks = edit.Asks ?? s.Asks } : s).ToList(),
        };
    }

    private static string NameOf(string wanted, IEnumerable<Speaker> speakers, string ownId)
    {
        var name = string.Join(' ', wanted.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        if (name.Length is 0 or > LongestName || name.Any(char.IsControl))
        {
            throw new EditRefusedException($"A name has 1 to {LongestName} characters.");
        }

        return speakers.Any(s => s.Id != ownId && s.Name == name)
            ? throw new EditRefusedException($"Another speaker of this lecture is called {name} already.")
            : name;
    }
}
