using Kostel.Core.Audio;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Speakers;

/// <summary>Who speaks when: gives every word a voice.</summary>
/// <remarks>
/// Speech is divided where it pauses, pieces that sound like one voice are put together, and the words are given to the voices anew,
/// with changes of speaker made likelier at pauses and after sentences (Viterbi), a few times over, as in Barras, Zhu, Meignier
/// and Gauvain, "Multistage speaker diarization of broadcast news" (2006). Words spoken at once go to one of the two.
/// </remarks>
public static class Diarisation
{
    /// <summary>Voices that can be asked for.</summary>
    public const int MostVoices = 20;

    private const int PieceMs = 2_000, ShortPieceMs = 800, PauseMs = 150, LongPauseMs = 600, Rounds = 3;

    /// <summary>A voice that was found has a fiftieth of the speech, or six seconds of it.</summary>
    private const double LeastShare = 0.02, LeastMs = 6_000;

    /// <summary>How much likelier, as a logarithm, the words must be with another voice; at a pause and after a sentence less is enough.</summary>
    private const double Change = 20, AtPause = 8, AfterSentence = 8;

    /// <summary>Sound this much below the loud part of speech is a pause or a breath.</summary>
    private const double QuietDb = 30;

    /// <summary>For each word the number of its voice, from 0 in order of their first words.</summary>
    /// <param name="words">In order of time.</param>
    /// <param name="sound">Of the recording that holds the words.</param>
    /// <param name="count">How many voices there are, or null to find out.</param>
    public static IReadOnlyList<int> Of(IReadOnlyList<Word> words, MelCepstra sound, int? count = null)
    {
        if (count is < 1 or > MostVoices)
        {
            throw new ArgumentOutOfRangeException(nameof(count), count, $"From 1 to {MostVoices} voices.");
        }

        if (words.Count == 0 || count == 1)
        {
            return new int[words.Count];
        }

        var heard = Hear(words, sound);
        var pieces = Pieces(words, heard);
        if (pieces.Count < 2)
        {
            return new int[words.Count];
        }

        var voices = VoiceClusters.Of(pieces, count);
        var who = new int[words.Count];
        for (var round = 0; round < Rounds; round++)
        {
            who = Assign(words, heard, voices);
            voices = Learn(heard, who, voices.Count);
            if (count is null && round < Rounds - 1)
            {
                voices = VoiceClusters.Of(voices, null);
                voices = WithoutTheSmall(voices);
            }
        }

        return InOrderOfAppearance(who);
    }

    private static List<VoiceModel> Hear(IReadOnlyList<Word> words, MelCepstra sound)
    {
        int First(Word w) => Math.Clamp(w.StartMs / MelCepstra.FrameMs, 0, sound.Frames);
        int Last(Word w) => Math.Clamp(Math.Max(w.StartMs + MelCepstra.FrameMs, w.EndMs) / MelCepstra.FrameMs, 0, sound.Frames);
        var levels = words.SelectMany(w => Enumerable.Range(First(w), Math.Max(0, Last(w) - First(w))).Select(sound.Level)).Order().ToList();
        var quiet = levels.Count == 0 ? 0 : levels[levels.Count * 9 / 10] - QuietDb;
        Span<double> frame = stackalloc double[MelCepstra.Count];
        var heard = new List<VoiceModel>(words.Count);
        foreach (var word in words)
        {
            var model = new VoiceModel();
            for (var f = First(word); f < Last(word); f++)
            {
                if (sound.Level(f) > quiet)
                {
                    sound.Read(f, frame);
                    model.Add(frame);
                }
            }

            heard.Add(model);
        }

        return heard;
    }

    /// <summary>Pieces of about two seconds, divided at pauses; those too short to tell a voice are left out.</summary>
    private static List<VoiceModel> Pieces(IReadOnlyList<Word> words, List<VoiceModel> heard)
    {
        var pieces = new List<VoiceModel>();
        var piece = new VoiceModel();
        for (var i = 0; i < words.Count; i++)
        {
            var pause = i == 0 ? 0 : words[i].StartMs - words[i - 1].EndMs;
            var length = piece.Frames * MelCepstra.FrameMs;
            if (length >= PieceMs || pause >= LongPauseMs || (pause >= PauseMs && length >= ShortPieceMs))
            {
                Close();
            }

            piece.Add(heard[i]);
        }

        Close();
        return pieces;

        void Close()
        {
            if (piece.Frames > MelCepstra.Count)
            {
                pieces.Add(piece);
            }

            piece = new VoiceModel();
        }
    }

    /// <summary>The likeliest sequence of voices.</summary>
    private static int[] Assign(IReadOnlyList<Word> words, List<VoiceModel> heard, List<VoiceModel> voices)
    {
        var likelihoods = voices.ConvertAll(v => v.LogLikelihoods(heard));
        var from = new int[words.Count][];
        var score = likelihoods.ConvertAll(l => l[0]).ToArray();
        for (var t = 1; t < words.Count; t++)
        {
            var change = Change
                - (words[t].StartMs - words[t - 1].EndMs >= PauseMs ? AtPause : 0)
                - (Sentences.ClosesSentence(words[t - 1].Text) ? AfterSentence : 0);
            var best = Array.IndexOf(score, score.Max());
            var other = score[best] - change;
            from[t] = new int[voices.Count];
            for (var v = 0; v < voices.Count; v++)
            {
                from[t][v] = score[v] >= other ? v : best;
                score[v] = Math.Max(score[v], other) + likelihoods[v][t];
            }
        }

        var who = new int[words.Count];
        who[^1] = Array.IndexOf(score, score.Max());
        for (var t = words.Count - 1; t > 0; t--)
        {
            who[t - 1] = from[t][who[t]];
        }

        return who;
    }

    /// <summary>The voices as their words sound; one that is left with next to nothing is gone.</summary>
    private static List<VoiceModel> Learn(List<VoiceModel> heard, int[] who, int count) =>
        Enumerable.Range(0, count).Select(v => VoiceModel.Sum(heard.Where((_, i) => who[i] == v)))
            .Where(v => v.Frames > MelCepstra.Count * 3).ToList();

    /// <summary>A cough, a laugh, a slammed door is no speaker.</summary>
    private static List<VoiceModel> WithoutTheSmall(List<VoiceModel> voices)
    {
        var total = voices.Sum(v => v.Frames);
        return voices.FindAll(v => v.Frames >= total * LeastShare || v.Frames * MelCepstra.FrameMs >= LeastMs);
    }

    private static int[] InOrderOfAppearance(int[] who)
    {
        var order = who.Distinct().ToList();
        return Array.ConvertAll(who, order.IndexOf);
    }
}
