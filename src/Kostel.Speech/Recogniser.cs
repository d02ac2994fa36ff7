using System.Threading.Channels;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Decoding;
using Kostel.Core.Speech.Terms;

namespace Kostel.Speech;

/// <summary>Writes utterances: searches for the likeliest tokens and places the words by the attention paid to the sound.</summary>
internal sealed class Recogniser(SpeechNetwork network, SearchOptions search, IReadOnlyList<CourseTerm> terms) : IRecogniser
{
    private const double TokensPerSecond = 6.5, FramesPerSecond = 41.5;
    private const int ShortestSamples = Pcm.SampleRate / 10, FewestTokens = 6;

    private readonly TermRepair repair = new(new TermFinder(terms), network.Tokens.Encode, network.Tokens.Words);

    private readonly IReadOnlySet<(int Before, int Token)> coarse = CoarseWords.Pairs(network.Tokens.Encode);

    /// <summary>Utterances that share each pass over the decoder's weights.</summary>
    private int Together => search.Width == 1 ? 8 : 2;

    /// <inheritdoc/>
    public async Task Work(ChannelReader<SpokenUtterance> queue, CancellationToken cancel)
    {
        var decoder = network.OpenDecoder();
        var idle = new Stack<DecoderSession>();
        var active = new List<Hearing>();

        // The first is read by itself: together they would come out late, and somebody is waiting for the first words.
        var together = 1;
        while (active.Count > 0 || await queue.WaitToReadAsync(cancel))
        {
            while (active.Count < together && queue.TryRead(out var utterance))
            {
                if (utterance.Samples.Length < ShortestSamples)
                {
                    utterance.Recognised(Recognition.Nothing);
                    continue;
                }

                var session = idle.TryPop(out var free) ? free : decoder.Open();
                network.Encode(utterance.Samples, session);
                active.Add(new Hearing(utterance, session, new BeamSearch(search, MostTokens(utterance.Samples.Length), repair.Watched, coarse)));
            }

            cancel.ThrowIfCancellationRequested();
            Advance(decoder, active);
            foreach (var (utterance, session, found) in active.Where(h => h.Search.IsOver))
            {
                utterance.Recognised(Write(repair.Repair(found.Best, session), session, utterance.Samples.Length));
                idle.Push(session);
            }

            if (active.RemoveAll(h => h.Search.IsOver) > 0)
            {
                together = Together;
            }
        }
    }

    private static int MostTokens(int samples) => Math.Max(FewestTokens, (int)(samples / (double)Pcm.SampleRate * TokensPerSecond));

    private static void Advance(Decoder decoder, List<Hearing> active)
    {
        if (active.Count == 0)
        {
            return;
        }

        var firsts = active.ConvertAll(h => h.Session.Next);
        decoder.Extend(active.ConvertAll(h => (h.Session, h.Search.Wanted)));
        for (var i = 0; i < active.Count; i++)
        {
            active[i].Search.Take(active[i].Session, firsts[i]);
        }
    }

    private Recognition Write(FoundText text, DecoderSession session, int sampleCount)
    {
        var keep = LoopGuard.Keep(text.Tokens);
        var pieces = network.Tokens.Pieces(text.Tokens.Take(keep).ToList(), text.Probabilities.Take(keep).ToList());
        var starts = WordAligner.TokenStarts(text.Beginnings.Select(b => session.Attention(b).ToArray()).ToList());
        return new Recognition(WordConfidence.Calibrate(WordAligner.Words(
            pieces.Select(p => p.Piece).ToList(),
            pieces.Select(p => starts[p.FirstToken]).ToList(),
            1000 / FramesPerSecond,
            Pcm.ToMs(sampleCount))));
    }

    private sealed record Hearing(SpokenUtterance Utterance, DecoderSession Session, BeamSearch Search);
}
