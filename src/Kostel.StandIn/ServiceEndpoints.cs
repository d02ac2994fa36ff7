using System.Text.Json;
using Kostel.Core.Speech.Languages;

namespace Kostel.StandIn;

/// <summary>What can be asked, and the ways to fail.</summary>
internal static class ServiceEndpoints
{
    private const string Good = "practice";

    /// <summary>Each of these models fails in its own way, which is what it is for.</summary>
    private static readonly Dictionary<string, Func<HttpContext, Task>> Troubles = new()
    {
        [$"{Good}-slow"] = async context => await Task.Delay(TimeSpan.FromMinutes(10), context.RequestAborted),
        [$"{Good}-cut-off"] = CutOff,
        [$"{Good}-wrong-type"] = async context =>
        {
            context.Response.ContentType = "text/html; charset=utf-8";
            await context.Response.WriteAsync("<!doctype html><title>Welcome</title><p>Log in to use this network.</p>", context.RequestAborted);
        },
        [$"{Good}-half"] = async context =>
        {
            context.Response.ContentType = "application/json";
            await context.Response.WriteAsync("""{"text": "The harbour is quiet in the morning, and the""", context.RequestAborted);
        },
        [$"{Good}-busy"] = async context =>
        {
            context.Response.StatusCode = StatusCodes.Status429TooManyRequests;
            await context.Response.WriteAsJsonAsync(new { error = new { message = "Too many questions." } }, context.RequestAborted);
        },
    };

    public static void MapService(this IEndpointRouteBuilder app)
    {
        var service = app.MapGroup("/v1");
        service.MapGet("models", (Ear ear) => TypedResults.Ok(new
        {
            data = new[] { Good }.Concat(Troubles.Keys).Select(id => new { id, languages = ear.Languages, translates = false }).Concat<object>(WriterEndpoints.Models.Select(id => new { id })),
        }));
        service.MapPost("audio/transcriptions", Transcribe).DisableAntiforgery();
    }

    private static async Task<IResult> Transcribe(HttpContext context, Ear ear, CancellationToken cancel)
    {
        var form = await context.Request.ReadFormAsync(cancel);
        var model = form["model"].ToString();
        if (Troubles.TryGetValue(model, out var trouble))
        {
            await trouble(context);
            return Results.Empty;
        }

        if (model != Good || form.Files.GetFile("file") is not { } file)
        {
            return TypedResults.NotFound(new { error = new { message = "There is no such model here, or no file came with the question." } });
        }

        var language = form["language"].ToString() is { Length: > 0 } wanted ? wanted : SpokenLanguages.English;
        if (!ear.Languages.Contains(language))
        {
            return TypedResults.BadRequest(new { error = new { message = $"'{language}' is not understood here." } });
        }

        await using var sound = file.OpenReadStream();
        var words = await ear.Hear(sound, language, cancel);
        return TypedResults.Ok(new
        {
            text = string.Join(' ', words.Select(w => w.Text)),
            language,
            words = words.Select(w => new { word = w.Text, start = w.StartMs / 1000.0, end = w.EndMs / 1000.0, probability = w.Confidence }),
        });
    }

    /// <summary>Promises more than it sends, and hangs up.</summary>
    private static async Task CutOff(HttpContext context)
    {
        context.Response.ContentType = "application/json";
        context.Response.ContentLength = 4_000;
        await context.Response.WriteAsync(JsonSerializer.Serialize(new { text = "The harbour is" }), context.RequestAborted);
        await context.Response.Body.FlushAsync(context.RequestAborted);
        context.Abort();
    }
}
