using System.Globalization;
using System.Net.Http.Headers;
using Kostel.Core.Links;
using Kostel.Links.Guard;

namespace Kostel.Links.Fetching;

/// <summary>A stream on disk.</summary>
/// <param name="Sound">A file with its sound, where that came apart from the picture.</param>
public sealed record FetchedStream(string Path, string? Sound);

/// <summary>Fetches a stream that is divided into pieces (HTTP Live Streaming), each through the same guarded client, and puts them together.</summary>
/// <param name="client">The way out.</param>
/// <param name="freeBytes">How much room there is.</param>
public sealed class StreamFetcher(GuardedClient client, Func<long> freeBytes)
{
    private const long LargestPiece = 512L << 20;

    /// <summary>Fetches the stream whose playlist is at an address.</summary>
    /// <param name="path">Where it goes.</param>
    /// <param name="progress">Told after every piece.</param>
    /// <param name="cancel">Stops; whole pieces stay for another try.</param>
    /// <exception cref="LinkProblemException">A piece cannot be had.</exception>
    /// <exception cref="HlsProblemException">The playlist cannot be read.</exception>
    public async Task<FetchedStream> Fetch(Uri address, string path, Action<FetchProgress> progress, CancellationToken cancel)
    {
        var playlist = await Playlist(address, cancel);
        if (playlist.Variants.Count == 0)
        {
            await Pieces(playlist, address, path, progress, 0, 1, cancel);
            return new FetchedStream(path, null);
        }

        var variant = playlist.Best;
        var sound = variant.Audio is { } audio && audio != variant.Address ? path + ".sound" : null;
        await Pieces(await Playlist(variant.Address, cancel), variant.Address, path, progress, 0, sound is null ? 1 : 0.8, cancel);
        if (sound is not null)
        {
            await Pieces(await Playlist(variant.Audio!, cancel), variant.Audio!, sound, progress, 0.8, 0.2, cancel);
        }

        return new FetchedStream(path, sound);
    }

    private async Task<HlsPlaylist> Playlist(Uri address, CancellationToken cancel)
    {
        using var answer = await client.Open(address, null, cancel);
        return HlsPlaylist.Read(await answer.Text(client.Limits.PageBytes, cancel), answer.Address);
    }

    /// <param name="before">The share of the whole that is done…</param>
    /// <param name="share">…and that this is.</param>
    private async Task Pieces(HlsPlaylist playlist, Uri address, string path, Action<FetchProgress> progress, double before, double share, CancellationToken cancel)
    {
        if (playlist.IsLocked)
        {
            throw new LinkProblemException($"{address.Host} sends this stream encrypted. Kostel does not unlock streams.");
        }

        if (!playlist.IsWhole)
        {
            throw new LinkProblemException($"This stream is still being broadcast by {address.Host}. Bring it in when it has ended.");
        }

        if (playlist.Pieces.Count == 0)
        {
            throw new LinkProblemException("This stream has no pieces.");
        }

        if (File.Exists(path))
        {
            return;
        }

        var all = playlist.Start is { } start ? playlist.Pieces.Prepend(start).ToList() : [.. playlist.Pieces];
        var state = new StreamState(path, address);
        var (done, length) = state.Read();
        await using (var file = new FileStream(state.Part, FileMode.OpenOrCreate, FileAccess.Write, FileShare.Read))
        {
            // A piece that broke off is fetched anew from its beginning.
            file.SetLength(length);
            file.Seek(0, SeekOrigin.End);
            for (; done < all.Count;)
            {
                await Piece(all[done], file, length, cancel);
                await file.FlushAsync(cancel);
                length = file.Length;
                state.Note(++done, length);
                progress(new FetchProgress(length, null, before + (share * done / all.Count)));
            }
        }

        File.Move(state.Part, path, overwrite: true);
        state.Drop();
    }

    private async Task Piece(HlsPiece piece, FileStream file, long from, CancellationToken cancel)
    {
        for (var failures = 0; ;)
        {
            try
            {
                await PieceOnce(piece, file, from, cancel);
                return;
            }
            catch (LinkProblemException e) when (e.MayPass && ++failures <= client.Limits.Retries)
            {
                file.SetLength(from);
                file.Seek(0, SeekOrigin.End);
                await Task.Delay(client.Limits.RetryPause * (1 << failures), cancel);
            }
        }
    }

    private async Task PieceOnce(HlsPiece piece, FileStream file, long from, CancellationToken cancel)
    {
        using var answer = await client.Open(piece.Address, headers => Prepare(headers, piece), cancel);
        var first = await answer.First(cancel);
        if (Looking.ContentKinds.Of(first.Span, answer.Type) is Looking.ContentKind.Page or Looking.ContentKind.Playlist)
        {
            throw new LinkProblemException($"{answer.Address.Host} sends a page where a piece of the stream should be.");
        }

        // Who does not know ranges sends the whole file.
        var skip = piece.Length is not null && answer.Response.StatusCode != System.Net.HttpStatusCode.PartialContent ? piece.From ?? 0 : 0;
        var left = piece.Length ?? LargestPiece;
        await foreach (var bytes in answer.Pieces(cancel))
        {
            var wanted = bytes[(int)Math.Min(skip, bytes.Length)..];
            skip -= bytes.Length - wanted.Length;
            wanted = wanted[..(int)Math.Min(left, wanted.Length)];
            await file.WriteAsync(wanted, cancel);
            left -= wanted.Length;
            if (left <= 0)
            {
                break;
            }
        }

        if (left <= 0 && piece.Length is null)
        {
            throw new LinkProblemException($"A piece of this stream has more than {LargestPiece >> 20} MB. It was given up.");
        }

        if (file.Length > client.Limits.RecordingBytes || freeBytes() < file.Length - from)
        {
            throw new LinkProblemException("There is no room for this stream on the disk. Free some space, then try again.");
        }
    }

    private static void Prepare(HttpRequestHeaders headers, HlsPiece piece)
    {
        headers.AcceptEncoding.Add(new StringWithQualityHeaderValue("identity"));
        if (piece.Length is { } length)
        {
            headers.Range = new RangeHeaderValue(piece.From ?? 0, (piece.From ?? 0) + length - 1);
        }
    }

    /// <summary>How many pieces are there and how long the file was then, for going on after a break.</summary>
    private sealed class StreamState(string path, Uri address)
    {
        private readonly string state = path + ".part.state";

        public string Part { get; } = path + ".part";

        public (int Done, long Length) Read() =>
            File.Exists(state) && File.ReadAllLines(state) is [var where, var done, var length] && where == address.AbsoluteUri
            && int.TryParse(done, NumberStyles.None, CultureInfo.InvariantCulture, out var pieces)
            && long.TryParse(length, NumberStyles.None, CultureInfo.InvariantCulture, out var bytes)
            && new FileInfo(Part) is { Exists: true } file && file.Length >= bytes
                ? (pieces, bytes)
                : (0, 0);

        public void Note(int done, long length)
        {
            File.WriteAllLines(state + ".new", [address.AbsoluteUri, done.ToString(CultureInfo.InvariantCulture), length.ToString(CultureInfo.InvariantCulture)]);
            File.Move(state + ".new", state, overwrite: true);
        }

        public void Drop() => File.Delete(state);
    }
}
