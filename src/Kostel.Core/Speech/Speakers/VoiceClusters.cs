namespace Kostel.Core.Speech.Speakers;

/// <summary>Puts pieces of speech together that sound like one voice.</summary>
/// <remarks>Agglomerative clustering by the Bayesian information criterion (Chen and Gopalakrishnan 1998); pieces of a long recording are
/// first put together within stretches of it, so that the time grows with its length and not with the square of that.</remarks>
internal static class VoiceClusters
{
    /// <summary>Pieces of about two seconds: ten minutes.</summary>
    private const int Stretch = 300;

    /// <summary>The voices of pieces in order of time.</summary>
    /// <param name="count">How many voices there are, or null to find out.</param>
    public static List<VoiceModel> Of(IReadOnlyList<VoiceModel> pieces, int? count)
    {
        var parts = pieces.Chunk(Stretch).ToList();
        return parts.Count <= 1
            ? Join(pieces, atLeast: count ?? 1, atMost: count)
            : Join(parts.SelectMany(p => Join(p, atLeast: count ?? 1, atMost: null)).ToList(), atLeast: count ?? 1, atMost: count);
    }

    /// <summary>Joins the two that differ least, again and again, as long as they are one voice.</summary>
    /// <param name="atLeast">So many are left, if there are so many.</param>
    /// <param name="atMost">Goes on until no more are left, whether they are one voice or not.</param>
    private static List<VoiceModel> Join(IReadOnlyList<VoiceModel> pieces, int atLeast, int? atMost)
    {
        var voices = pieces.ToList();
        var differences = voices.Select((a, i) => voices.Take(i).Select(b => VoiceModel.Difference(a, b)).ToList()).ToList();
        while (voices.Count > atLeast)
        {
            var (least, at, with) = (double.PositiveInfinity, 0, 0);
            for (var i = 1; i < voices.Count; i++)
            {
                for (var j = 0; j < i; j++)
                {
                    if (differences[i][j] < least)
                    {
                        (least, at, with) = (differences[i][j], i, j);
                    }
                }
            }

            if (least > 0 && !(voices.Count > atMost))
            {
                break;
            }

            voices[with] = VoiceModel.Sum([voices[with], voices[at]]);
            voices.RemoveAt(at);
            differences.RemoveAt(at);
            foreach (var row in differences.Skip(at))
            {
                row.RemoveAt(at);
            }

            for (var i = 0; i < voices.Count; i++)
            {
                if (i != with)
                {
                    differences[Math.Max(i, with)][Math.Min(i, with)] = VoiceModel.Difference(voices[i], voices[with]);
                }
            }
        }

        return voices;
    }
}
