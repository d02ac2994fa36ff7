using System.CommandLine;
using System.ComponentModel;
using System.Diagnostics;
using System.Globalization;
using System.Runtime.InteropServices;
using System.Text.Json;
using Kostel.Core.Audio;
using Kostel.Core.Audio.Dereverberation;
using Kostel.Core.Problems;
using Kostel.Core.Recordings;
using Kostel.Core.Speech;
using Kostel.Media;
using Kostel.Speech.Service;

namespace Kostel.Cli;

/// <summary><c>record [--for 50m] [--device SYSTEM:NAME] [--devices] [--course C] [--title T] [--out FILE]</c></summary>
internal static class RecordCommand
{
    private const int ShownEveryMs = 500;

    public static Command Create()
    {
        var length = new Option<string?>("--for") { Description = "Stop by itself: 50m, 1h30m, 90s. Without, Ctrl-C stops." };
        var device = new Option<string?>("--device") { Description = "What to record from, as --devices lists it; the usual microphone without." };
        var devices = new Option<bool>("--devices") { Description = "List what can be recorded from." };
        var course = new Option<string?>("--course") { Description = "The course; guessed by day and hour without." };
        var title = new Option<string?>("--title") { Description = "Its title; from course and day without." };
        var output = new Option<FileInfo?>("--out") { Description = "Keep the sound in this WAV file too." };
        var folder = new Option<DirectoryInfo>("--folder") { Hidden = true, DefaultValueFactory = _ => new DirectoryInfo(".") };
        var data = LibraryCommands.Folder();
        var command = new Command("record", "Records from a microphone, and brings it in to the Kostel that is open.") { length, device, devices, course, title, output, folder, data };
        command.SetAction(async (parsed, cancel) =>
        {
            if (parsed.GetValue(devices))
            {
                await List(cancel);
                return;
            }

            var time = parsed.GetValue(length) is { } text ? RecordingTime.Parse(text) : (TimeSpan?)null;
            var source = parsed.GetValue(device) is { } named ? InputDevice.Parse(named) : (await InputDevice.List(cancel)).FirstOrDefault()
                ?? throw new MediaProblemException("There is no microphone. Plug one in; ./kostel record --devices lists what there is.");
            await Run(source, time, parsed.GetValue(course), parsed.GetValue(title), parsed.GetValue(output), parsed.GetValue(folder)!, parsed.GetValue(data)!.FullName);
        });
        return command;
    }

    private static async Task List(CancellationToken cancel)
    {
        var found = await InputDevice.List(cancel);
        foreach (var device in found)
        {
            await Console.Out.WriteLineAsync($"{device.Address}  {device.Label}");
        }

        if (found.Count == 0)
        {
            await Console.Error.WriteLineAsync("There is no microphone. Plug one in, and look again.");
        }
    }

    private static async Task Run(InputDevice device, TimeSpan? time, string? course, string? title, FileInfo? output, DirectoryInfo folder, string data)
    {
        Output.Check(output);
        using var open = Reach(data);
        var guess = open is null ? CourseGuess.Of([], DateTime.Now) : await Guess(open);
        course ??= title is null ? guess.Course : null;
        title ??= course is null || course == guess.Course ? guess.Title : $"{course}, {DateTime.Now.ToString("d MMMM", CultureInfo.InvariantCulture)}";
        var file = output ?? FreeName(folder, title);
        if (open is null)
        {
            await Console.Error.WriteLineAsync($"Kostel is not open: the sound is kept in {file.FullName}, to be brought in with ./kostel add.");
        }

        await Console.Error.WriteLineAsync($"Recording “{title}” from {device.Label}. {(time is null ? "Ctrl-C stops." : $"It stops by itself after {time:h\\:mm\\:ss}; Ctrl-C stops before.")} Record only those who agree.");
        var (samples, problem) = await Take(device, time, file);
        if (samples == 0)
        {
            file.Delete();
            throw new MediaProblemException(problem ?? "Nothing was recorded.");
        }

        var told = $"{TimeSpan.FromMilliseconds(Pcm.ToMs(samples)):h\\:mm\\:ss} of “{title}” are recorded.";
        await Console.Error.WriteLineAsync(problem is null ? told : $"{problem} {told}");
        var added = open is null ? null : await OpenKostel.Upload(open, file, new SaidOf(course ?? "", title, DateOnly.FromDateTime(DateTime.Now), null, Accuracy.Accurate), CancellationToken.None);
        if (added is { IsNew: true } && output is null)
        {
            file.Delete();
        }

        await Console.Out.WriteLineAsync(added?.Told ?? file.FullName);
        Notify(told);
        if (problem is not null)
        {
            throw new MediaProblemException(added is null ? "What was recorded until then is kept." : "What was recorded until then is in the library.");
        }
    }

    /// <summary>Writes what comes to the file; after a kill it is whole but for the last moment.</summary>
    /// <returns>How much there is, and why it ended before it was to.</returns>
    private static async Task<(long Samples, string? Problem)> Take(InputDevice device, TimeSpan? time, FileInfo file)
    {
        using var stop = new CancellationTokenSource();
        using var interrupted = PosixSignalRegistration.Create(PosixSignal.SIGINT, Stop);
        using var terminated = PosixSignalRegistration.Create(PosixSignal.SIGTERM, Stop);
        await using var into = new FileStream(file.FullName, FileMode.CreateNew, FileAccess.ReadWrite, FileShare.Read);
        into.Write(WaveFile.Header(0));
        var shown = Stopwatch.StartNew();
        var echo = new EchoWatch();
        string? problem = null;
        try
        {
            await foreach (var piece in InputSound.Read(device, time, stop.Token))
            {
                into.Write(piece.Span);
                WriteHeader(into);
                if (!Console.IsErrorRedirected && piece.Length > 0 && echo.Append(RecordedPiece.Samples(piece.Span)) is { } measure)
                {
                    _ = Task.Run(measure, CancellationToken.None);
                }

                if (!RecordedPiece.Fits(Samples(into), 0))
                {
                    problem = $"A recording has at most {RecordedPiece.MostHours} hours.";
                    break;
                }

                if (shown.ElapsedMilliseconds > ShownEveryMs && !Console.IsErrorRedirected)
                {
                    shown.Restart();
                    Console.Error.Write($"\r{TimeSpan.FromMilliseconds(Pcm.ToMs(Samples(into))):h\\:mm\\:ss} {Loudness(piece.Span)}{(echo.Echoes ? " echo" : "")}\u001b[K");
                }
            }
        }
        catch (MediaProblemException e)
        {
            problem = e.Message;
        }
        catch (IOException)
        {
            problem = "The disk is full.";
        }

        if (!Console.IsErrorRedirected)
        {
            await Console.Error.WriteAsync("\r\u001b[K");
        }

        return (Samples(into), problem);

        void Stop(PosixSignalContext signal)
        {
            signal.Cancel = true;
            stop.Cancel();
        }
    }

    private static long Samples(FileStream file) => Math.Max(0, file.Length - WaveFile.HeaderBytes) / sizeof(short);

    private static void WriteHeader(FileStream file)
    {
        file.Position = 0;
        file.Write(WaveFile.Header(file.Length - WaveFile.HeaderBytes));
        file.Position = file.Length;
        file.Flush();
    }

    /// <summary>How loud it is, and what is wrong with that.</summary>
    private static string Loudness(ReadOnlySpan<byte> piece)
    {
        var peak = 0;
        foreach (var sample in MemoryMarshal.Cast<byte, short>(piece))
        {
            peak = Math.Max(peak, Math.Abs((int)sample));
        }

        // Judgements, as on the screen to record.
        const int Full = 32_400, Faint = 1_300, Silent = 66, Bars = 20;
        var bars = peak == 0 ? 0 : (int)Math.Clamp(Bars * (1 + (20 * Math.Log10(peak / 32_768.0) / 60)), 0, Bars);
        return new string('=', bars).PadRight(Bars) + (peak >= Full ? " too loud" : peak < Silent ? " no sound" : peak < Faint ? " quiet" : "");
    }

    private static HttpClient? Reach(string data)
    {
        try
        {
            return OpenKostel.Reach(data);
        }
        catch (IOException)
        {
            return null;
        }
    }

    private static async Task<CourseGuess> Guess(HttpClient open)
    {
        using var answer = await open.GetAsync("/api/recordings/guess");
        var guess = await OpenKostel.Read(answer, CancellationToken.None);
        return new CourseGuess(guess.GetProperty("course") is { ValueKind: JsonValueKind.String } course ? course.GetString() : null, guess.GetProperty("title").GetString()!);
    }

    private static FileInfo FreeName(DirectoryInfo folder, string title)
    {
        var name = string.Concat(title.Select(c => char.IsLetterOrDigit(c) || c is ' ' or '-' or ',' ? c : ' ')).Trim() + DateTime.Now.ToString(" yyyy-MM-dd HHmm", CultureInfo.InvariantCulture);
        for (var number = 1; ; number++)
        {
            var file = new FileInfo(Path.Combine(folder.FullName, number == 1 ? $"{name}.wav" : $"{name} {number}.wav"));
            if (!file.Exists)
            {
                return file;
            }
        }
    }

    /// <summary>Tells it on the desktop, where there is one.</summary>
    private static void Notify(string told)
    {
        try
        {
            using var process = Process.Start(new ProcessStartInfo("notify-send", ["Kostel", told]) { RedirectStandardError = true, UseShellExecute = false });
        }
        catch (Win32Exception)
        {
            // No desktop: the terminal has said it.
        }
    }
}
