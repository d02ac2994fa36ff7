using Kostel.Core.Chapters;
using Kostel.Core.Entries;
using Kostel.Core.Links;
using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Data;
using Kostel.Links;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Arriving;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Links;

/// <summary>Addresses to look behind.</summary>
public sealed record LinksToLookAt(IReadOnlyList<string> Addresses);

/// <summary>Captions on the web.</summary>
public sealed record CaptionView(string Address, string? Type, string? Language);

/// <summary>What is behind an address.</summary>
/// <param name="Media">Where the recording is; for a feed, where that is.</param>
/// <param name="Kind">A recording, a stream, or a feed.</param>
/// <param name="There">The lecture that was brought in from there already; null for none.</param>
/// <param name="TitleIsGuessed">Nobody said the title but the address.</param>
public sealed record FoundLinkView(
    string Media, LinkKind Kind, string Title, DateOnly? Date, long? Bytes, int? DurationMs, bool HasPicture, IReadOnlyList<CaptionView> Captions, IReadOnlyList<ChapterMark> Chapters, string? There, bool TitleIsGuessed = false);

/// <summary>What came of looking behind one address: something, or why not.</summary>
public sealed record LookedAtLink(string Address, FoundLinkView? Found, string? Problem);

/// <summary>Something that was found and is wanted.</summary>
/// <param name="Address">As it was given.</param>
/// <param name="TitleIsGuessed">What the recording says of itself counts more than this title.</param>
public sealed record WantedLinkEntry(string Address, string Media, string Title, DateOnly? HeldOn, CaptionView? Captions, CaptionUse Use, IReadOnlyList<ChapterMark> Chapters, LinkKind Kind = LinkKind.Recording, bool TitleIsGuessed = false);

/// <summary>Things from the web that are to become lectures.</summary>
/// <param name="Choice">How they are transcribed; null as their course's routine says.</param>
public sealed record WantedLinks(IReadOnlyList<WantedLinkEntry> Links, string Course, TranscriptionChoice? Choice);

/// <summary>Lectures that are on their way.</summary>
public sealed record BroughtLinks(IReadOnlyList<string> LectureIds);

/// <summary>Lectures from addresses of the web.</summary>
internal static class LinkEndpoints
{
    private const int MostAtOnce = 100, SideBySide = 4;

    public static void MapLinks(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/links/look", Look).WithName("lookAtLinks");
        app.MapPost("/api/links", Bring).WithName("bringLinks");
    }

    private static async Task<Ok<List<LookedAtLink>>> Look(LinksToLookAt links, WebAccess web, KostelContext context, CancellationToken cancel)
    {
        var addresses = links.Addresses.Select(a => a.Trim()).Where(a => a.Length > 0).Distinct().ToList();
        if (addresses.Count is 0 or > MostAtOnce)
        {
            throw new NotValidException($"Give 1 to {MostAtOnce} addresses, one a line.");
        }

        var looked = new LookedAtLink[addresses.Count];
        await Parallel.ForAsync(0, addresses.Count, new ParallelOptions { MaxDegreeOfParallelism = SideBySide, CancellationToken = cancel }, async (i, stop) => looked[i] = await LookAt(addresses[i], web, stop));
        var there = (await context.Lectures.AsNoTracking().Where(l => l.SourceAddress != null && l.DeletedAt == null).Select(l => new { l.Id, l.SourceAddress }).ToListAsync(cancel)).ToLookup(l => l.SourceAddress, l => l.Id);
        return TypedResults.Ok(looked.Select(l => l.Found is null ? l : l with { Found = l.Found with { There = there[new Uri(l.Address).AbsoluteUri].FirstOrDefault() } }).ToList());
    }

    private static async Task<LookedAtLink> LookAt(string text, WebAccess web, CancellationToken cancel)
    {
        try
        {
            var address = LinkAddress.Read(text);
            var found = await web.Looker.Look(address, cancel);
            return new LookedAtLink(address.AbsoluteUri, new FoundLinkView(
                found.Media.AbsoluteUri, found.Kind, found.Title, found.Date, found.Bytes, found.DurationMs, found.Picture is not null,
                found.Captions.Select(c => new CaptionView(c.Address.AbsoluteUri, c.Type, c.Language)).ToList(), found.Chapters, null, found.TitleIsGuessed), null);
        }
        catch (NotValidException e)
        {
            // What was given may be anything, also something secret: it is not sent back.
            return new LookedAtLink("", null, e.Message);
        }
        catch (LinkProblemException e) when (e.SilentPage is not null && web.Downloader is not null)
        {
            var address = LinkAddress.Read(text).AbsoluteUri;
            return new LookedAtLink(address, new FoundLinkView(address, LinkKind.Outside, e.SilentPage, null, null, null, false, [], [], null), null);
        }
        catch (KnownProblemException e)
        {
            return new LookedAtLink(LinkAddress.Read(text).AbsoluteUri, null, e.Message);
        }
    }

    private static async Task<Ok<BroughtLinks>> Bring(WantedLinks wanted, KostelContext context, JobQueue queue, TimeProvider time, CancellationToken cancel)
    {
        if (wanted.Links.Count is 0 or > MostAtOnce)
        {
            throw new NotValidException($"Give 1 to {MostAtOnce} addresses.");
        }

        var links = wanted.Links.Select(Read).ToList();
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var course = await context.Course(EntryRules.Course.Read(wanted.Course), cancel);
        var lectures = links.ConvertAll(l => context.Bring(l, course, wanted.Choice?.Required(), time.GetUtcNow().UtcDateTime));
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        queue.Wake();
        return TypedResults.Ok(new BroughtLinks(lectures.ConvertAll(l => l.Id)));
    }

    private static WantedLink Read(WantedLinkEntry entry) => new(
        LinkAddress.Read(entry.Address),
        LinkAddress.Read(entry.Media),
        EntryRules.Title.Read(entry.Title),
        entry.HeldOn,
        entry.Captions is { } c ? new CaptionLink(LinkAddress.Read(c.Address), c.Type, c.Language) : null,
        entry.Use,
        ChapterFiles.Ordered(entry.Chapters))
    {
        ByDownloader = entry.Kind == LinkKind.Outside,
        TitleIsGuessed = entry.TitleIsGuessed,
    };
}
