namespace Kostel.Server.Features.Pages;

/// <summary>What a page needs as soon as its program runs: the browser fetches it while it still reads the program.</summary>
/// <param name="Screen">Where it stands in the front end's sources.</param>
/// <param name="Asked">What the screen asks the server for first.</param>
internal sealed record EarlyPage(string Screen, params string[] Asked)
{
    /// <summary>The screens that are opened by their address most, by the first part of that.</summary>
    private static readonly Dictionary<string, EarlyPage> ByAddress = new(StringComparer.Ordinal)
    {
        [""] = new("src/features/today/TodayScreen.vue", "/api/today"),
        ["library"] = new("src/features/library/LibraryScreen.vue", "/api/library"),
        ["search"] = new("src/features/search/SearchScreen.vue", "/api/search/choices"),
        ["ask"] = new("src/features/ask/AskScreen.vue"),
        ["review"] = new("src/features/review/ReviewScreen.vue"),
        ["bring-in"] = new("src/features/bringin/BringInScreen.vue"),
        ["course"] = new("src/features/courses/CourseScreen.vue"),
        [Lecture] = new("src/features/lecture/LectureScreen.vue"),
    };

    private const string Lecture = "lecture";

    /// <summary>The one at an address; null for one that is opened rarely, or is none.</summary>
    public static EarlyPage? At(PathString address)
    {
        var parts = (address.Value ?? "").Trim('/').Split('/');
        return !ByAddress.TryGetValue(parts[0], out var page) ? null
            : parts[0] != Lecture ? page
            : parts is [_, { Length: > 0 } id] && id.All(c => char.IsAsciiLetterOrDigit(c) || c == '-') ? page with { Asked = [$"/api/lectures/{id}/transcript", $"/api/lectures/{id}", $"/api/lectures/{id}/marks"] }
            : null;
    }
}
