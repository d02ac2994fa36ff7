using System.Diagnostics;
using System.Net;
using System.Net.Http.Headers;
using Kostel.Links.Guard;
using Kostel.Links.Looking;

namespace Kostel.Links.Fetching;

/// <summary>How far a recording has come.</summary>
/// <param name="Arrived">Bytes.</param>
/// <param name="Total">As told; null where it is not.</param>
/// <param name="Fraction">0 to 1; 0 where nothing is known.</param>
public sealed record FetchProgress(long Arrived, long? Total, double Fraction);

/// <summary>Fetches a recording to a file. What has arrived stays after a break of any kind, and is gone on from (ranges, RFC 9110).</summary>
/// <param name="client">The way out.</param>
/// <param name="freeBytes">How much room there is.</param>
public sealed class RecordingFetcher(GuardedClient client, Func<long> freeBytes)
{
    /// <summary>Left free for everything else on the disk.</summary>
    private const long Reserve = 200L << 20;

    /// <summary>Fetches a recording.</summary>
    /// <param name="address">Where it is.</param>
    /// <param name="path">Where it goes once it is whole; until then it grows beside that.</param>
    /// <param name="progress">Told now and then.</param>
    /// <param name="cancel">Stops; what has arrived stays.</param>
    /// <returns>False if it is no recording but the playlist of a stream.</returns>
    /// <exception cref="LinkProblemException">It cannot be had.</exception>
    public async Task<bool> Fetch(Uri address, string path, Action<FetchProgress> progress, CancellationToken cancel)
    {
        var part = new PartFile(path);
        for (var failures = 0; ;)
        {
            var before = part.Length;
            try
            {
                if (!await Attempt(address, part, progress, cancel))
                {
                    part.Drop();
                    return false;
                }

                part.Complete();
                return true;
            }
            catch (LinkProblemException e) when (e.MayPass && (part.Length > before || ++failures <= client.Limits.Retries))
            {
                failures = part.Length > before ? 0 : failures;
                await Task.Delay(client.Limits.RetryPause * (1 << failures), cancel);
            }
        }
    }

    private async Task<bool> Attempt(Uri address, PartFile part, Action<FetchProgress> progress, CancellationToken cancel)
    {
        var (from, tag) = (part.Length, part.Tag);
        using var answer = await client.Open(address, headers => Prepare(headers, from, tag), cancel);
        if (answer.Response.StatusCode == HttpStatusCode.RequestedRangeNotSatisfiable)
        {
            // All of it is there already, or it is another file by now.
            if (answer.Response.Content.Headers.ContentRange?.Length == from && from > 0)
            {
                return true;
            }

            part.Drop();
            throw new LinkProblemException($"The recording at {address.Host} was changed while it was fetched.", mayPass: true);
        }

        var goesOn = answer.Response.StatusCode == HttpStatusCode.PartialContent && answer.Response.Content.Headers.ContentRange?.From == from;
        if (!goesOn)
        {
            from = 0;
            switch (ContentKinds.Of((await answer.First(cancel)).Span, answer.Type))
            {
                case ContentKind.Playlist:
                    return false;
                case ContentKind.Recording:
                    break;
                default:
                    throw new LinkProblemException($"{address.Host} sends a page where the recording should be. It may have to be downloaded by hand, after logging in there.");
            }
        }

        var total = goesOn ? answer.Response.Content.Headers.ContentRange?.Length ?? (answer.Length is { } rest ? from + rest : null) : answer.Length;
        Fits(total, from, address);
        await part.Write(goesOn, TagOf(answer.Response), Bounded(answer, from, total, progress, cancel), cancel);
        if (total is { } whole && part.Length < whole)
        {
            throw new LinkProblemException($"The connection to {address.Host} broke off.", mayPass: true);
        }

        return part.Length > 0 ? true : throw new LinkProblemException($"{address.Host} sends an empty file here.");
    }

    private static void Prepare(HttpRequestHeaders headers, long from, string? tag)
    {
        // Packed, a part of it could not be asked for.
        headers.AcceptEncoding.Add(new StringWithQualityHeaderValue("identity"));
        if (from > 0 && tag is not null)
        {
            headers.Range = new RangeHeaderValue(from, null);
            headers.TryAddWithoutValidation("If-Range", tag);
        }
    }

    /// <summary>What tells this content from another at the same address; null where nothing sure does.</summary>
    private static string? TagOf(HttpResponseMessage response) =>
        response.Headers.ETag is { IsWeak: false } tag ? tag.Tag : response.Content.Headers.LastModified?.ToString("R");

    private void Fits(long? total, long from, Uri address)
    {
        if (total > client.Limits.RecordingBytes)
        {
            throw new LinkProblemException($"This recording has {total >> 20} MB, more than the {client.Limits.RecordingBytes >> 20} MB that Kostel takes. Nothing of it was fetched.");
        }

        var room = Math.Max(0, freeBytes() - Reserve);
        if (total - from > room)
        {
            throw new LinkProblemException($"There is no room for this recording: {(total - from) >> 20} MB of it are still to come from {address.Host}, and the disk has {room >> 20} MB left. Free some space, then try again.");
        }
    }

    private async IAsyncEnumerable<ReadOnlyMemory<byte>> Bounded(
        GuardedAnswer answer, long from, long? total, Action<FetchProgress> progress, [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        var (arrived, watch, looked) = (from, Stopwatch.StartNew(), from);
        await foreach (var piece in answer.Pieces(cancel))
        {
            arrived += piece.Length;
            if (total is null && (arrived > client.Limits.EndlessBytes || watch.Elapsed > client.Limits.Endless))
            {
                throw new LinkProblemException($"{answer.Address.Host} sends without saying how much, and without end: after {arrived >> 20} MB it was given up.");
            }

            if (arrived > (total ?? client.Limits.RecordingBytes))
            {
                throw new LinkProblemException($"{answer.Address.Host} sends more than it said. It was given up.");
            }

            if (arrived - looked > 64 << 20)
            {
                looked = arrived;
                Fits(total ?? arrived, arrived, answer.Address);
            }

            progress(new FetchProgress(arrived, total, total is > 0 ? arrived / (double)total : 0));
            yield return piece;
        }
    }
}
