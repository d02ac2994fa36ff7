using System.Text.Json;
using Kostel.Core.Chapters;
using Kostel.Core.Feeds;
using Kostel.Core.Links;
using Kostel.Core.Text;
using Kostel.Links.Guard;

namespace Kostel.Links.Looking;

/// <summary>Finds out what an address leads to, without fetching a recording.</summary>
public sealed class LinkLooker(GuardedClient client)
{
    private const int LongestTitle = 200, DeepestFrame = 2, MediaTried = 4;

    /// <summary>What there is.</summary>
    /// <exception cref="LinkProblemException">Nothing that can be brought in; says why.</exception>
    public Task<FoundLink> Look(Uri address, CancellationToken cancel) => Look(address, DeepestFrame, cancel);

    private async Task<FoundLink> Look(Uri address, int depth, CancellationToken cancel)
    {
        using var answer = await client.Open(address, null, cancel);
        switch (ContentKinds.Of((await answer.First(cancel)).Span, answer.Type))
        {
            case ContentKind.Recording:
                return new FoundLink(address, LinkKind.Recording, address, TitleOf(answer), null, answer.Length, null, null, [], []) { TitleIsGuessed = true };
            case ContentKind.Playlist:
                return await Stream(address, answer, cancel);
            case ContentKind.Xml:
                return await Feed(address, answer, cancel);
            case ContentKind.Page:
                return await Page(address, answer, depth, cancel);
            default:
                throw new LinkProblemException($"{address.Host} sends a text here, and no recording. To bring a text in, save it and choose the file.");
        }
    }

    private async Task<FoundLink> Stream(Uri address, GuardedAnswer answer, CancellationToken cancel)
    {
        var playlist = HlsPlaylist.Read(await answer.Text(client.Limits.PageBytes, cancel), answer.Address);
        return new FoundLink(address, LinkKind.Stream, address, TitleOf(answer), null, null, playlist.DurationMs > 0 ? playlist.DurationMs : null, null, [], []) { TitleIsGuessed = true };
    }

    private async Task<FoundLink> Feed(Uri address, GuardedAnswer answer, CancellationToken cancel)
    {
        using var xml = new MemoryStream(await answer.All(client.Limits.FeedBytes, cancel));
        var feed = FeedReader.Read(xml, answer.Address);
        return new FoundLink(address, LinkKind.Feed, address, feed.Title, null, null, null, null, [], []);
    }

    private async Task<FoundLink> Page(Uri address, GuardedAnswer answer, int depth, CancellationToken cancel)
    {
        var page = PageReader.Read(await answer.Text(client.Limits.PageBytes, cancel), answer.Address);
        LinkProblemException? last = null;
        foreach (var media in page.Media.Take(MediaTried))
        {
            try
            {
                return await With(page, await Look(media.Address, 0, cancel), address, cancel);
            }
            catch (LinkProblemException e)
            {
                last = e;
            }
        }

        // A player stands in a page inside of this one, or the site tells where through oEmbed.
        foreach (var frame in depth > 0 ? page.Frames.Concat(await Embedded(page, cancel)).Distinct().Take(MediaTried) : [])
        {
            try
            {
                return await With(page, await Look(frame, depth - 1, cancel), address, cancel);
            }
            catch (LinkProblemException e)
            {
                last ??= e;
            }
        }

        return page.Feeds.Count > 0 && depth == DeepestFrame
            ? (await Look(page.Feeds[0], 0, cancel)) with { Address = address, Media = page.Feeds[0] }
            : throw new LinkProblemException(page.Media.Count > 0 && last is not null
                ? $"The page names a recording, but it cannot be had. {last.Message}"
                : $"{address.Host} says of no recording on this page where it is. If it plays there, the site keeps it to itself: download it, where you may, and bring in the file.")
            {
                SilentPage = page.Title.Length > 0 ? page.Title : address.Host,
            };
    }

    /// <summary>What a page says of a recording counts more than what the recording's address says of itself.</summary>
    private async Task<FoundLink> With(FoundPage page, FoundLink found, Uri address, CancellationToken cancel) => found.Kind == LinkKind.Feed
        ? throw new LinkProblemException($"{address.Host} says of no recording on this page where it is.")
        : found with
        {
            Address = address,
            Title = page.Title.Length > 0 ? page.Title : found.Title,
            TitleIsGuessed = page.Title.Length == 0 && found.TitleIsGuessed,
            Date = page.Date ?? found.Date,
            DurationMs = page.DurationMs ?? found.DurationMs,
            Picture = page.Picture ?? found.Picture,
            Captions = page.Captions.Count > 0 ? page.Captions : found.Captions,
            Chapters = page.Chapters.Count > 0 ? page.Chapters : page.ChapterFile is { } file ? await Chapters(file, cancel) : found.Chapters,
        };

    /// <summary>Chapters of a file; none where it cannot be had, because a lecture is worth having without.</summary>
    public async Task<IReadOnlyList<ChapterMark>> Chapters(Uri address, CancellationToken cancel)
    {
        try
        {
            using var answer = await client.Open(address, null, cancel);
            return ChapterFiles.Read(await answer.Text(client.Limits.PageBytes, cancel));
        }
        catch (Exception e) when (e is LinkProblemException or FormatException)
        {
            return [];
        }
    }

    private async Task<IReadOnlyList<Uri>> Embedded(FoundPage page, CancellationToken cancel)
    {
        if (page.Embedding is null)
        {
            return [];
        }

        try
        {
            using var answer = await client.Open(page.Embedding, null, cancel);
            using var json = JsonDocument.Parse(await answer.Text(client.Limits.PageBytes, cancel));
            return json.RootElement.ValueKind == JsonValueKind.Object && json.RootElement.TryGetProperty("html", out var html) && html.ValueKind == JsonValueKind.String
                ? PageReader.FramesOf(html.GetString()!, answer.Address)
                : [];
        }
        catch (Exception e) when (e is LinkProblemException or JsonException)
        {
            return [];
        }
    }

    private static string TitleOf(GuardedAnswer answer)
    {
        var name = answer.Response.Content.Headers.ContentDisposition is { } d ? d.FileNameStar ?? d.FileName?.Trim('"') : null;
        var last = name ?? Uri.UnescapeDataString(answer.Address.Segments[^1].Trim('/'));
        var dot = last.LastIndexOf('.');
        return OneLine.Of((dot > 0 ? last[..dot] : last).Replace('_', ' '), LongestTitle);
    }
}
