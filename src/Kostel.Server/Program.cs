using System.Text.Json.Serialization;
using Kostel.Data;
using Kostel.Server;
using Kostel.Server.Demo;
using Kostel.Server.Features.About;
using Kostel.Server.Features.Ask;
using Kostel.Server.Features.BringText;
using Kostel.Server.Features.Corrections;
using Kostel.Server.Features.Edits;
using Kostel.Server.Features.Languages;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Features.Library;
using Kostel.Server.Features.Marks;
using Kostel.Server.Features.Pages;
using Kostel.Server.Features.Review;
using Kostel.Server.Features.Study;
using Kostel.Server.Features.TakeAway;
using Kostel.Server.Features.Terms;
using Kostel.Server.Features.Today;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Speech;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.EntityFrameworkCore;

// The build starts this program only to read the OpenAPI document off it.
var describesOnly = System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";
var builder = WebApplication.CreateBuilder(args);
var settings = ServerSettings.Read(builder.Configuration, describesOnly);
builder.WebHost.UseUrls(settings.Address);
builder.WebHost.ConfigureKestrel(k => k.Limits.MaxRequestBodySize = null);
builder.Logging.SetMinimumLevel(LogLevel.Warning);
builder.Services.AddSingleton(settings);
builder.Services.AddSingleton(new LibraryFolder(settings.DataFolder));
builder.Services.AddSingleton<IDbContextFactory<KostelContext>>(s => s.GetRequiredService<LibraryFolder>());
builder.Services.AddScoped(s => s.GetRequiredService<LibraryFolder>().CreateDbContext());
builder.Services.AddSingleton(_ => ModelFolder.Open(settings.ModelFolder, settings.ModelLock));
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton<ProgressBoard>();
builder.Services.AddSingleton<LectureTranscriber>();
builder.Services.AddSingleton<JobQueue>();
if (!describesOnly)
{
    builder.Services.AddHostedService(s => s.GetRequiredService<JobQueue>());
    builder.Services.AddHostedService<WarmStart>();
}

builder.Services.AddSingleton<UploadFiles>();
builder.Services.AddSingleton<DemoLibrary>();
builder.Services.AddSignalR().AddJsonProtocol(o => Json(o.PayloadSerializerOptions));
builder.Services.ConfigureHttpJsonOptions(o => Json(o.SerializerOptions));
builder.Services.Configure<FormOptions>(o => o.MultipartBodyLengthLimit = 1 << 20);
builder.Services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
builder.Services.AddProblemDetails();
builder.Services.AddExceptionHandler<PlainProblems>();
builder.Services.AddOpenApi();

var app = builder.Build();
app.UseExceptionHandler();
app.UseMiddleware<LocalOnly>();
app.UseMiddleware<PageSecurity>();
app.MapOpenApi("/api/openapi.json");
app.MapLibrary();
app.MapLectures();
app.MapTranscripts();
app.MapSpeakers();
app.MapEdits();
app.MapMarks();
app.MapCorrections();
app.MapExports();
app.MapTexts();
app.MapTerms();
app.MapUploads();
app.MapQuestions();
app.MapStudy();
app.MapReview();
app.MapToday();
app.MapAbout();
app.MapLanguages();
app.MapHub<ProgressHub>("/hub/progress");
app.MapPages();

if (!describesOnly)
{
    app.Services.GetRequiredService<LibraryFolder>().Prepare();
    await app.Services.GetRequiredService<UploadFiles>().FinishInterrupted(CancellationToken.None);
    if (settings.DemoFolder is { } demo)
    {
        await app.Services.GetRequiredService<DemoLibrary>().SeedOnce(demo, CancellationToken.None);
    }

    await app.StartAsync();
    await Console.Out.WriteLineAsync($"Kostel is open at {app.Urls.First()}");
    await app.WaitForShutdownAsync();
}
else
{
    await app.RunAsync();
}

static void Json(System.Text.Json.JsonSerializerOptions options)
{
    options.NumberHandling = JsonNumberHandling.Strict;
    options.AllowOutOfOrderMetadataProperties = true;
    options.Converters.Add(new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.CamelCase));
}
