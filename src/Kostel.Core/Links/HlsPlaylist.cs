using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Problems;

namespace Kostel.Core.Links;

/// <summary>One of several qualities of a stream.</summary>
/// <param name="Bandwidth">Bits a second.</param>
/// <param name="Audio">Where its sound is, if that comes apart.</param>
public sealed record HlsVariant(Uri Address, int Bandwidth, Uri? Audio);

/// <summary>A piece of a stream.</summary>
/// <param name="From">The first byte, where the piece is a part of a file.</param>
/// <param name="Length">Bytes; null for the whole file.</param>
public sealed record HlsPiece(Uri Address, double Seconds, long? From, long? Length);

/// <summary>A playlist of HTTP Live Streaming: of qualities, or of pieces.</summary>
/// <remarks>RFC 8216.</remarks>
/// <param name="Variants">The qualities; empty for a playlist of pieces.</param>
/// <param name="Start">What comes before the first piece and is needed to read them (EXT-X-MAP).</param>
/// <param name="IsWhole">False while it is still being broadcast.</param>
/// <param name="IsLocked">Whether its pieces are encrypted.</param>
public sealed partial record HlsPlaylist(IReadOnlyList<HlsVariant> Variants, HlsPiece? Start, IReadOnlyList<HlsPiece> Pieces, bool IsWhole, bool IsLocked)
{
    /// <summary>More than a day of pieces of two seconds.</summary>
    private const int MostPieces = 50_000;

    /// <summary>How long all pieces are together.</summary>
    public int DurationMs => (int)Math.Min(int.MaxValue, Pieces.Sum(p => p.Seconds) * 1000);

    /// <summary>Whether a text begins as every playlist does.</summary>
    public static bool IsOne(string text) => text.TrimStart('\uFEFF').StartsWith("#EXTM3U", StringComparison.Ordinal);

    /// <summary>The quality to fetch: speech needs little, so the smallest from which words on slides can still be read, else the largest there is.</summary>
    public HlsVariant Best => Variants.OrderBy(v => v.Bandwidth).FirstOrDefault(v => v.Bandwidth >= LegibleBandwidth) ?? Variants.MaxBy(v => v.Bandwidth)!;

    private const int LegibleBandwidth = 700_000;

    /// <summary>Reads a playlist.</summary>
    /// <param name="address">Where it was fetched: its own addresses count from there.</param>
    /// <exception cref="HlsProblemException">It is none, or none that can be fetched.</exception>
    public static HlsPlaylist Read(string text, Uri address)
    {
        if (!IsOne(text))
        {
            throw new HlsProblemException("This is no playlist of a stream: it does not begin with #EXTM3U.");
        }

        var (variants, pieces, sounds) = (new List<(string Attributes, Uri Address)>(), new List<HlsPiece>(), new Dictionary<string, Uri>());
        HlsPiece? start = null;
        string? stream = null;
        (long? From, long? Length) range = (null, null);
        var (seconds, next, isWhole, isLocked) = (0.0, 0L, false, false);
        foreach (var line in text.Split('\n').Select(l => l.Trim()).Where(l => l.Length > 0))
        {
            var (tag, value) = line.StartsWith('#') && line.IndexOf(':') is > 0 and var colon ? (line[..colon], line[(colon + 1)..]) : (line, "");
            switch (tag)
            {
                case "#EXTINF":
                    _ = double.TryParse(value.Split(',')[0], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out seconds);
                    break;
                case "#EXT-X-STREAM-INF":
                    stream = value;
                    break;
                case "#EXT-X-MEDIA" when Attribute(value, "TYPE") == "AUDIO" && Attribute(value, "URI") is { } uri:
                    sounds.TryAdd(Attribute(value, "GROUP-ID") ?? "", Link(uri, address));
                    break;
                case "#EXT-X-KEY":
                    isLocked |= Attribute(value, "METHOD") is not (null or "NONE");
                    break;
                case "#EXT-X-BYTERANGE":
                    range = Range(value, next);
                    break;
                case "#EXT-X-MAP" when Attribute(value, "URI") is { } uri:
                    var (from, length) = Attribute(value, "BYTERANGE") is { } bytes ? Range(bytes, 0) : (null, null);
                    start = new HlsPiece(Link(uri, address), 0, from, length);
                    break;
                case "#EXT-X-ENDLIST":
                    isWhole = true;
                    break;
                case not null when line[0] != '#':
                    if (stream is not null)
                    {
                        variants.Add((stream, Link(line, address)));
                        stream = null;
                        break;
                    }

                    pieces.Add(new HlsPiece(Link(line, address), seconds, range.From, range.Length));
                    next = (range.From ?? 0) + (range.Length ?? 0);
                    (seconds, range) = (0, (null, null));
                    break;
            }
        }

        return pieces.Count > MostPieces
            ? throw new HlsProblemException($"This stream has more than {MostPieces} pieces, more than any lecture.")
            : new HlsPlaylist(variants.ConvertAll(v => Variant(v.Attributes, v.Address, sounds)), start, pieces, isWhole, isLocked);
    }

    private static HlsVariant Variant(string attributes, Uri address, Dictionary<string, Uri> sounds) => new(
        address,
        int.TryParse(Attribute(attributes, "BANDWIDTH"), NumberStyles.None, CultureInfo.InvariantCulture, out var bandwidth) ? bandwidth : 0,
        Attribute(attributes, "AUDIO") is { } group ? sounds.GetValueOrDefault(group) : null);

    private static (long? From, long? Length) Range(string value, long next) =>
        value.Split('@') is [var length, .. var rest] && long.TryParse(length, NumberStyles.None, CultureInfo.InvariantCulture, out var bytes)
            ? (rest is [var at] && long.TryParse(at, NumberStyles.None, CultureInfo.InvariantCulture, out var from) ? from : next, bytes)
            : throw new HlsProblemException("The playlist of this stream names a part of a file that cannot be read.");

    private static Uri Link(string text, Uri address) =>
        Uri.TryCreate(address, text, out var link) && (link.Scheme == Uri.UriSchemeHttp || link.Scheme == Uri.UriSchemeHttps)
            ? link
            : throw new HlsProblemException("The playlist of this stream leads to something that is no address of the web.");

    private static string? Attribute(string attributes, string name) =>
        AttributePattern().Matches(attributes).FirstOrDefault(m => m.Groups["name"].Value == name)?.Groups["value"].Value.Trim('"');

    [GeneratedRegex("""(?<name>[A-Z0-9-]+)=(?<value>"[^"]*"|[^,]*)""")]
    private static partial Regex AttributePattern();
}

/// <summary>A stream cannot be fetched; the message says why.</summary>
public sealed class HlsProblemException(string message) : KnownProblemException(ProblemCodes.UnreadableFile, message);
