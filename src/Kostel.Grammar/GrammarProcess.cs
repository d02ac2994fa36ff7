using System.Collections.Concurrent;
using System.ComponentModel;
using System.Diagnostics;
using System.Text;
using System.Text.Json;
using Kostel.Core.Grammar;

namespace Kostel.Grammar;

/// <summary>
/// The grammar of English behind a process of its own, started when it is first needed, ended when it was not needed for a while. A sentence on which it crashes or hangs is
/// read as having no grammar; one that cannot be started reads none.
/// </summary>
public sealed class GrammarProcess : IGrammar, IDisposable
{
    /// <summary>The exit code of a process that has no parser to run.</summary>
    public const int NotInstalled = 3;

    /// <summary>Begins each answer: the library has words of its own on the same output.</summary>
    internal const char AnswerMark = '=';

    private const int MostWords = 45, MostLetters = 320, MostRemembered = 20_000, MostFailures = 3;
    private static readonly TimeSpan FirstAnswer = TimeSpan.FromSeconds(20), EachAnswer = TimeSpan.FromSeconds(6), Idle = TimeSpan.FromMinutes(1);

    private readonly string command;
    private readonly IReadOnlyList<string> arguments;
    private readonly TimeSpan patience;
    private readonly Lock turn = new();
    private readonly Timer ending;
    private readonly ConcurrentDictionary<string, SentenceGrammar?> remembered;
    private Process? process;
    private long askedAt;
    private bool isMissing, isClosed;

    /// <summary>The parser beside this program.</summary>
    /// <param name="remembered">What was read before, by whichever process; null for what this one reads.</param>
    public GrammarProcess(ConcurrentDictionary<string, SentenceGrammar?>? remembered = null)
        : this("dotnet", [Path.Combine(AppContext.BaseDirectory, "Kostel.Grammar.dll")], EachAnswer, remembered)
    {
    }

    /// <summary>Another one, which reads and answers by lines as the parser does.</summary>
    internal GrammarProcess(string command, IReadOnlyList<string> arguments, TimeSpan patience, ConcurrentDictionary<string, SentenceGrammar?>? remembered = null)
    {
        (this.command, this.arguments, this.patience) = (command, arguments, patience);
        this.remembered = remembered ?? new(StringComparer.Ordinal);
        ending = new Timer(_ => EndIfIdle());
    }

    /// <inheritdoc/>
    public IReadOnlyList<SentenceGrammar?> Read(IReadOnlyList<string> sentences, CancellationToken cancel = default)
    {
        var (read, at) = (new SentenceGrammar?[sentences.Count], 0);
        Read(sentences, () => at++, read, cancel);
        return read;
    }

    /// <summary>Reads one sentence after another, each the next that nobody has taken.</summary>
    /// <param name="sentences">All that are to be read, by this process or others.</param>
    /// <param name="next">The place of the next one.</param>
    /// <param name="read">Where what each is made of is put down.</param>
    /// <param name="cancel">Stops between two sentences.</param>
    internal void Read(IReadOnlyList<string> sentences, Func<int> next, SentenceGrammar?[] read, CancellationToken cancel)
    {
        var failures = 0;
        for (var i = next(); i < read.Length; i = next())
        {
            cancel.ThrowIfCancellationRequested();
            var text = sentences[i];
            if (remembered.TryGetValue(text, out read[i]) || !IsReadable(text))
            {
                continue;
            }

            // The lock is let go between sentences, so that a short lecture does not wait for the whole of a long one.
            lock (turn)
            {
                if (isMissing || isClosed || failures >= MostFailures)
                {
                    break;
                }

                askedAt = Environment.TickCount64;
                if (!TryAsk(text, out read[i]))
                {
                    failures++;
                }
            }

            if (remembered.Count >= MostRemembered)
            {
                remembered.Clear();
            }

            remembered[text] = read[i];
        }

        ending.Change(Idle, Timeout.InfiniteTimeSpan);
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        lock (turn)
        {
            isClosed = true;
            End();
        }

        ending.Dispose();
    }

    private static bool IsReadable(string text) => text.Length is > 0 and <= MostLetters && text.Count(c => c == ' ') < MostWords && !text.Any(char.IsControl);

    private bool TryAsk(string text, out SentenceGrammar? answer)
    {
        answer = null;
        try
        {
            var isNew = process is null;
            process ??= Start();
            if (process is null)
            {
                return false;
            }

            process.StandardInput.WriteLine(JsonSerializer.Serialize(text));
            string? line;
            do
            {
                line = process.StandardOutput.ReadLineAsync().WaitAsync(isNew && patience == EachAnswer ? FirstAnswer : patience).GetAwaiter().GetResult();
            }
            while (line is not null && !line.StartsWith(AnswerMark));

            if (line is null)
            {
                process.WaitForExit(patience);
                isMissing = process.HasExited && process.ExitCode == NotInstalled;
                End();
                return false;
            }

            answer = JsonSerializer.Deserialize<ParsedLine>(line.AsSpan(1)) is { } parsed && ConstituentTree.Read(parsed.Tree, text) is { } root
                ? new SentenceGrammar(parsed.Skipped, parsed.Cost, root)
                : null;
            return true;
        }
        catch (Exception e) when (e is IOException or TimeoutException or JsonException or InvalidOperationException)
        {
            End();
            return false;
        }
    }

    private Process? Start()
    {
        var start = new ProcessStartInfo(command, arguments)
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            StandardInputEncoding = new UTF8Encoding(false),
            StandardOutputEncoding = Encoding.UTF8,
        };
        start.Environment["LC_ALL"] = "C.UTF-8";
        try
        {
            var started = Process.Start(start);
            if (started is not null)
            {
                // What the library says of its dictionaries is for nobody; unread it would fill the pipe and stop it.
                started.ErrorDataReceived += (_, _) => { };
                started.BeginErrorReadLine();
                GiveWay(started);
            }

            return started;
        }
        catch (Win32Exception)
        {
            isMissing = true;
            return null;
        }
    }

    /// <summary>Whoever reads a page or listens comes first.</summary>
    private static void GiveWay(Process started)
    {
        try
        {
            started.PriorityClass = ProcessPriorityClass.BelowNormal;
        }
        catch (Exception e) when (e is Win32Exception or InvalidOperationException or PlatformNotSupportedException)
        {
            // It runs as everything else does.
        }
    }

    private void EndIfIdle()
    {
        lock (turn)
        {
            var left = Idle - TimeSpan.FromMilliseconds(Environment.TickCount64 - askedAt);
            if (left <= TimeSpan.Zero)
            {
                End();
            }
            else if (!isClosed)
            {
                ending.Change(left, Timeout.InfiniteTimeSpan);
            }
        }
    }

    private void End()
    {
        if (process is null)
        {
            return;
        }

        try
        {
            process.Kill(entireProcessTree: true);
        }
        catch (InvalidOperationException)
        {
            // It has ended by itself.
        }

        process.Dispose();
        process = null;
    }
}
