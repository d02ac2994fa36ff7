using System.Diagnostics;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Live;
using Kostel.Core.Transcripts;
using Kostel.Media;
using Kostel.Speech;

namespace Kostel.Cli;

/// <summary>Plays a recording to the live recogniser at the pace at which it was spoken, and shows what is understood.</summary>
internal static class LiveRun
{
    private const int PieceMs = 100;

    /// <summary>Certain words go to standard output, a sentence a line; on a terminal what is still open stands below. As JSON every look is a line.</summary>
    public static async Task Show(IRecogniser recogniser, SpeechEngine engine, string path, bool asJson, CancellationToken cancel)
    {
        var watch = Stopwatch.StartNew();
        using var voice = engine.ListenForVoice();
        var line = "";
        await foreach (var text in new LiveTranscription(recogniser, new LiveOptions(), TimeProvider.System).Run(AtItsPace(path, watch, cancel), voice, cancel))
        {
            if (asJson)
            {
                Console.WriteLine(JsonSerializer.Serialize(new { AtMs = (int)watch.ElapsedMilliseconds, text.HeardMs, text.Final, text.Tentative }, JsonSerializerOptions.Web));
                continue;
            }

            Open("");
            foreach (var word in text.Final)
            {
                line += word.Text + ' ';
                if (Sentences.ClosesSentence(word.Text))
                {
                    Console.WriteLine(line.TrimEnd());
                    line = "";
                }
            }

            Open(line + string.Join(' ', text.Tentative.Select(w => w.Text)));
        }

        Open("");
        if (line.Length > 0)
        {
            Console.WriteLine(line.TrimEnd());
        }
    }

    /// <summary>Writes what is still open in place of what was, the end of it if it is too long for a line.</summary>
    private static void Open(string text)
    {
        if (!Console.IsErrorRedirected)
        {
            const string ToClear = "\r\u001b[K";
            var room = Math.Max(20, Console.WindowWidth - 2);
            Console.Error.Write(ToClear + (text.Length > room ? "…" + text[^(room - 1)..] : text));
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
