using System.Diagnostics;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Live;
using Kostel.Media;
using Kostel.Speech;

namespace Kostel.Cli;

/// <summary>Plays a recording to the live recogniser at the pace at which it was spoken, and shows what is understood.</summary>
internal static class LiveRun
{
    private const int PieceMs = 100;

    /// <summary>Certain words go to standard output as they become so, tentative ones to standard error; as JSON everything goes to standard output.</summary>
    public static async Task Show(IRecogniser recogniser, SpeechEngine engine, string path, bool asJson, CancellationToken cancel)
    {
        var watch = Stopwatch.StartNew();
        using var voice = engine.ListenForVoice();
        await foreach (var text in new LiveTranscription(recogniser, new LiveOptions(), TimeProvider.System).Run(AtItsPace(path, watch, cancel), voice, cancel))
        {
            if (asJson)
            {
                Console.WriteLine(JsonSerializer.Serialize(new { AtMs = (int)watch.ElapsedMilliseconds, text.HeardMs, text.Final, text.Tentative }, JsonSerializerOptions.Web));
                continue;
            }

            const string ClearLine = "\r\u001b[K";
            await Console.Error.WriteAsync(Console.IsErrorRedirected ? "" : ClearLine);
            if (text.Final.Count > 0)
            {
                Console.WriteLine(string.Join(' ', text.Final.Select(w => w.Text)));
            }

            await Console.Error.WriteAsync(string.Join(' ', text.Tentative.Select(w => w.Text)) is { Length: > 0 } words ? $"… {words}{(Console.IsErrorRedirected ? "\n" : "")}" : "");
        }
    }

    private static async IAsyncEnumerable<ReadOnlyMemory<float>> AtItsPace(string path, Stopwatch watch, [EnumeratorCancellation] CancellationToken cancel)
    {
        long given = 0;
        await foreach (var decoded in Recording.Decode(path, cancel))
        {
            for (var rest = decoded; rest.Length > 0;)
            {
                var piece = rest[..Math.Min(rest.Length, (int)Pcm.ToSample(PieceMs))];
                given += piece.Length;

                // A piece is there when its last sample was spoken.
                var early = Pcm.ToMs(given) - watch.ElapsedMilliseconds;
                if (early > 0)
                {
                    await Task.Delay((int)early, cancel);
                }

                yield return piece;
                rest = rest[piece.Length..];
            }
        }
    }
}
