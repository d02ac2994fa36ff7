using System.Threading.Channels;
using Kostel.Core.Audio;
using Kostel.Core.Services;
using Kostel.Core.Speech;
using Kostel.Core.Transcripts;

namespace Kostel.Speech.Service;

/// <summary>Has utterances recognised by a service. The sound of each leaves this computer, and nothing else.</summary>
/// <param name="language">A code, or null when the service is to find out.</param>
public sealed class ServiceRecogniser(ServiceClient client, string? language) : IRecogniser
{
    /// <inheritdoc/>
    public async Task Work(ChannelReader<SpokenUtterance> queue, CancellationToken cancel)
    {
        await foreach (var utterance in queue.ReadAllAsync(cancel))
        {
            var text = await client.Transcribe(WaveFile.Of(utterance.Samples.Span), language, cancel);
            utterance.Recognised(new Recognition(Words(text, Pcm.ToMs(utterance.Samples.Length))));
        }
    }

    /// <summary>The words of an answer with times: the service's own, else spread by their letters over its stretches, else over all of it.</summary>
    /// <exception cref="ServiceProblemException">It is no transcript at all.</exception>
    internal static IReadOnlyList<Word> Words(ServiceText text, int lengthMs)
    {
        // Whatever has an empty place in it is taken without.
        if (text.Words?.OfType<ServiceWord>().ToList() is { Count: > 0 } words)
        {
            return InOrder(words.SelectMany(w => Spread(w.Word, Ms(w.Start, lengthMs), Ms(w.End, lengthMs)).Select(x => x with { Confidence = Chance(w.Probability) })));
        }

        if (text.Segments?.OfType<ServiceSegment>().ToList() is { Count: > 0 } segments)
        {
            return InOrder(segments.SelectMany(s => Spread(s.Text, Ms(s.Start, lengthMs), Ms(s.End, lengthMs))));
        }

        return text.Text is { } all ? Spread(all, 0, lengthMs) : throw new ServiceProblemException("The service sent no transcript.", mayPass: true);
    }

    private static List<Word> Spread(string text, int startMs, int endMs)
    {
        var parts = new string(text.Select(c => char.IsControl(c) ? ' ' : c).ToArray()).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
        var letters = Math.Max(1, parts.Sum(p => p.Length));
        var (words, at) = (new List<Word>(), 0);
        foreach (var part in parts)
        {
            var start = startMs + (int)((long)(endMs - startMs) * at / letters);
            at += part.Length;
            words.Add(new Word(part, start, startMs + (int)((long)(endMs - startMs) * at / letters), 1));
        }

        return words;
    }

    /// <summary>Whatever times a service gives: none before the one before it, none that ends before it starts.</summary>
    private static List<Word> InOrder(IEnumerable<Word> words)
    {
        var last = 0;
        return words.Select(w =>
        {
            var start = Math.Max(last, w.StartMs);
            last = start;
            return w with { StartMs = start, EndMs = Math.Max(start, w.EndMs) };
        }).ToList();
    }

    private static double Chance(double? probability) => probability is { } p && double.IsFinite(p) ? Math.Clamp(p, 0, 1) : 1;

    private static int Ms(double seconds, int lengthMs) => double.IsFinite(seconds) ? (int)Math.Clamp(seconds * 1000, 0, lengthMs) : 0;
}
