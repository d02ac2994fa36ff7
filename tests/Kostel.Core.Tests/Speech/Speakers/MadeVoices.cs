using Kostel.Core.Audio;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech.Speakers;

/// <summary>Voices made of noise through three resonators that move from sound to sound, as the mouth does; a voice's mouth is longer or shorter.</summary>
internal sealed class MadeVoices(int seed)
{
    private const int SoundMs = 120, WordMs = 360, PauseMs = 60;
    private static readonly double[][] Vowels = [[300, 2200, 3000], [600, 1700, 2500], [750, 1200, 2500], [500, 900, 2400], [350, 700, 2300], [450, 1400, 1700]];
    private readonly Random random = new(seed);
    private readonly List<float> samples = [];

    /// <summary>The words that were said, each a few sounds.</summary>
    public List<Word> Words { get; } = [];

    /// <summary>What was said, as a recording.</summary>
    public MelCepstra Sound()
    {
        var sound = new MelCepstra();
        sound.Push(samples.ToArray());
        return sound;
    }

    /// <summary>Says words.</summary>
    /// <param name="mouth">How much higher than usual the resonances are: about 0.85 to 1.2.</param>
    public MadeVoices Say(int words, double mouth, float level = 0.1f)
    {
        for (var w = 0; w < words; w++)
        {
            var start = Pcm.ToMs(samples.Count);
            for (var s = 0; s < WordMs / SoundMs; s++)
            {
                Add(Vowels[random.Next(Vowels.Length)], mouth, level);
            }

            Words.Add(new Word(w == words - 1 ? "end." : "word", start, start + WordMs, 1));
            samples.AddRange(Enumerable.Repeat(0f, (int)Pcm.ToSample(w == words - 1 ? PauseMs * 5 : PauseMs)));
        }

        return this;
    }

    private void Add(double[] vowel, double mouth, float level)
    {
        var sound = new float[Pcm.ToSample(SoundMs)];
        foreach (var (f, hertz) in vowel.Index())
        {
            var angle = Math.Tau * hertz * mouth * (0.97 + (0.06 * random.NextDouble())) / Pcm.SampleRate;
            const double Damping = 0.97;
            double before = 0, last = 0;
            for (var i = 0; i < sound.Length; i++)
            {
                var now = random.NextDouble() - 0.5 + (2 * Damping * Math.Cos(angle) * last) - (Damping * Damping * before);
                (before, last) = (last, now);
                sound[i] += (float)(now * level / (4 << f));
            }
        }

        samples.AddRange(sound);
    }
}
