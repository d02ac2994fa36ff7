using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Decoding;
using Kostel.Core.Speech.Terms;

namespace Kostel.Speech;

/// <summary>Writes one utterance: searches for the likeliest tokens and places the words by the attention paid to the sound.</summary>
internal sealed class Recogniser(SpeechNetwork network, SearchOptions search, IReadOnlyList<CourseTerm> terms) : IRecogniser
{
    private const double TokensPerSecond = 6.5, FramesPerSecond = 41.5;
    private const int ShortestSamples = Pcm.SampleRate / 10, FewestTokens = 6;

    private readonly TermRepair repair = new(new TermFinder(terms), network.Tokens.Encode, network.Tokens.Words);

    /// <inheritdoc/>
    public Recognition Recognise(ReadOnlyMemory<float> samples, CancellationToken cancel)
    {
        if (samples.Length < ShortestSamples)
        {
            return Recognition.Nothing;
        }

        var most = Math.Max(FewestTokens, (int)(samples.Length / (double)Pcm.SampleRate * TokensPerSecond));
        return network.Listen(samples, session =>
        {
            var found = BeamSearch.Find(session, search, most, cancel)[0];
            return Write(repair.Repair(found, session), session, samples.Length);
        });
    }

    private Recognition Write(FoundText text, DecoderSession session, int sampleCount)
    {
        var keep = LoopGuard.Keep(text.Tokens);
        var pieces = network.Tokens.Pieces(text.Tokens.Take(keep).ToList(), text.Probabilities.Take(keep).ToList());
        var starts = WordAligner.TokenStarts(text.Beginnings.Select(b => session.Attention(b).ToArray()).ToList());
        return new Recognition(WordAligner.Words(
            pieces.Select(p => p.Piece).ToList(),
            pieces.Select(p => starts[p.FirstToken]).ToList(),
            1000 / FramesPerSecond,
            Pcm.ToMs(sampleCount)));
    }
}
