using System.Text.RegularExpressions;

namespace Kostel.Media;

/// <summary>Something to record from, as FFmpeg reaches it.</summary>
/// <param name="System">The sound system: pulse, alsa, or lavfi for sound that is made up.</param>
/// <param name="Name">Its name there.</param>
/// <param name="Label">What a person calls it.</param>
public sealed partial record InputDevice(string System, string Name, string Label)
{
    private static readonly string[] Systems = ["pulse", "alsa", "lavfi"];

    /// <summary>How it is named on the command line.</summary>
    public string Address => $"{System}:{Name}";

    /// <summary>A device that is named like <c>alsa:hw:1</c>.</summary>
    /// <exception cref="MediaProblemException">It is not named so.</exception>
    public static InputDevice Parse(string address)
    {
        var (system, name) = address.Split(':', 2) is [var s, var n] ? (s, n) : ("", "");
        return Systems.Contains(system) && name.Length > 0
            ? new InputDevice(system, name, name)
            : throw new MediaProblemException($"A device is named like pulse:default or alsa:hw:0. ./kostel record --devices lists them; “{address}” is none.");
    }

    /// <summary>What this computer can record from; the ones that it would take itself first.</summary>
    public static async Task<IReadOnlyList<InputDevice>> List(CancellationToken cancel)
    {
        var found = new List<InputDevice>();
        foreach (var system in Systems[..2])
        {
            var (_, output, errors) = await FfmpegProcess.Run("ffmpeg", ["-hide_banner", "-sources", system], cancel);
            found.AddRange(Read(system, output + errors));
        }

        return found;
    }

    /// <summary>Reads FFmpeg's list: one a line, with its name and in brackets what it is called; a star before the usual one.</summary>
    public static IReadOnlyList<InputDevice> Read(string system, string list) => Line().Matches(list)
        .Select(m => (IsUsual: m.Groups["usual"].Success, Device: new InputDevice(system, m.Groups["name"].Value, m.Groups["label"].Value)))
        .Where(d => d.Device.Name != "null").OrderByDescending(d => d.IsUsual).Select(d => d.Device).ToList();

    [GeneratedRegex(@"^(?<usual>\*)?\s+(?:\*\s)?(?<name>\S+) \[(?<label>.*)\] \(.*\)\s*$", RegexOptions.Multiline)]
    private static partial Regex Line();
}
