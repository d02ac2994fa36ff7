using System.Runtime.CompilerServices;
using System.Text;

namespace Kostel.Links.Guard;

/// <summary>An answer whose content is read within bounds.</summary>
public sealed class GuardedAnswer : IDisposable
{
    private const int Piece = 1 << 16, FirstBytes = 1 << 12;
    private readonly LinkLimits limits;
    private byte[]? first;
    private Stream? content;

    internal GuardedAnswer(HttpResponseMessage response, Uri address, LinkLimits limits) => (Response, Address, this.limits) = (response, address, limits);

    /// <summary>Its headers.</summary>
    public HttpResponseMessage Response { get; }

    /// <summary>Where it was found in the end.</summary>
    public Uri Address { get; }

    /// <summary>The media type in small letters; empty if it does not say one.</summary>
    public string Type => Response.Content.Headers.ContentType?.MediaType?.ToLowerInvariant() ?? "";

    /// <summary>As told; null where it is not, or where it is packed and says nothing of what comes out.</summary>
    public long? Length => Response.Content.Headers.ContentEncoding.Count > 0 ? null : Response.Content.Headers.ContentLength;

    /// <summary>The first bytes, which say more than the type does. They come once more with the rest.</summary>
    public async Task<ReadOnlyMemory<byte>> First(CancellationToken cancel)
    {
        if (first is null)
        {
            var buffer = new byte[FirstBytes];
            var filled = 0;
            int read;
            while (filled < buffer.Length && (read = await Read(buffer.AsMemory(filled), cancel)) > 0)
            {
                filled += read;
            }

            first = buffer[..filled];
        }

        return first;
    }

    /// <summary>All of it, in pieces.</summary>
    /// <exception cref="LinkProblemException">It broke off, or there is a silence.</exception>
    public async IAsyncEnumerable<ReadOnlyMemory<byte>> Pieces([EnumeratorCancellation] CancellationToken cancel)
    {
        if (first is { Length: > 0 })
        {
            yield return first;
        }

        var buffer = new byte[Piece];
        int read;
        while ((read = await Read(buffer, cancel)) > 0)
        {
            yield return buffer.AsMemory(0, read);
        }
    }

    /// <summary>The whole of something small.</summary>
    /// <param name="most">Bytes, unpacked.</param>
    /// <exception cref="LinkProblemException">There is more, or it takes too long.</exception>
    public async Task<byte[]> All(long most, CancellationToken cancel)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(limits.Page);
        using var memory = new MemoryStream();
        try
        {
            await foreach (var piece in Pieces(patience.Token))
            {
                memory.Write(piece.Span);
                if (memory.Length > most)
                {
                    throw new LinkProblemException($"{Address.Host} sends more than {most >> 20} MB where a page was expected. It was given up.");
                }
            }
        }
        catch (OperationCanceledException e) when (!cancel.IsCancellationRequested)
        {
            throw new LinkProblemException($"{Address.Host} is too slow: the page was not there after {limits.Page.TotalSeconds:0} s.", mayPass: true, e);
        }

        return memory.ToArray();
    }

    /// <summary>The whole of a small text.</summary>
    public async Task<string> Text(long most, CancellationToken cancel)
    {
        var bytes = await All(most, cancel);
        return Charset().GetString(bytes).TrimStart('\uFEFF');
    }

    /// <inheritdoc/>
    public void Dispose() => Response.Dispose();

    private Encoding Charset()
    {
        try
        {
            return Response.Content.Headers.ContentType?.CharSet is { } name ? Encoding.GetEncoding(name.Trim('"')) : Encoding.UTF8;
        }
        catch (ArgumentException)
        {
            return Encoding.UTF8;
        }
    }

    private async Task<int> Read(Memory<byte> into, CancellationToken cancel)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(limits.Silence);
        try
        {
            content ??= await Response.Content.ReadAsStreamAsync(patience.Token);
            return await content.ReadAsync(into, patience.Token);
        }
        catch (OperationCanceledException e) when (!cancel.IsCancellationRequested)
        {
            throw new LinkProblemException($"Nothing came from {Address.Host} for {limits.Silence.TotalSeconds:0} s.", mayPass: true, e);
        }
        catch (Exception e) when (e is HttpRequestException or IOException or InvalidDataException)
        {
            throw new LinkProblemException($"The connection to {Address.Host} broke off.", mayPass: true, e);
        }
    }
}
