using System.Text.Json.Serialization;
using Kostel.Core.Grammar;
using Kostel.Grammar;
using Kostel.Core.Chapters;
using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Data.Folder;
using Kostel.Server;
using Kostel.Server.Automation;
using Kostel.Server.Demo;
using Kostel.Server.Features.About;
using Kostel.Server.Features.Ask;
using Kostel.Server.Features.BringText;
using Kostel.Server.Features.Corrections;
using Kostel.Server.Features.Courses;
using Kostel.Server.Features.Arrivals;
using Kostel.Server.Features.Edits;
using Kostel.Server.Features.Feeds;
using Kostel.Server.Features.Languages;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Features.Library;
using Kostel.Server.Features.Links;
using Kostel.Server.Features.Listening;
using Kostel.Server.Features.Marks;
using Kostel.Server.Features.Pages;
using Kostel.Server.Features.Dictate;
using Kostel.Server.Features.Record;
using Kostel.Server.Features.Review;
using Kostel.Server.Features.Routines;
using Kostel.Server.Features.Search;
using Kostel.Server.Features.Settings;
using Kostel.Server.Features.Sheets;
using Kostel.Server.Features.Storage;
using Kostel.Server.Features.Study;
using Kostel.Server.Features.Subjects;
using Kostel.Server.Features.TakeAway;
using Kostel.Server.Features.Terms;
using Kostel.Server.Features.Today;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Features.Writing;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Arriving;
using Kostel.Server.Jobs.Transcription;
using Kostel.Server.Shared;
using Kostel.Speech;
using Microsoft.AspNetCore.Connections;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.EntityFrameworkCore;

// The build starts this program only to read the OpenAPI document off it.
var describesOnly = System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";
var builder = WebApplication.CreateBuilder(args);
var settings = ServerSettings.Read(builder.Configuration, describesOnly);
builder.WebHost.UseUrls(settings.Address);
builder.WebHost.ConfigureKestrel(k =>
{
    k.Limits.MaxRequestBodySize = BodyLimits.Usual;
    k.AddServerHeader = false;
});
builder.Logging.SetMinimumLevel(LogLevel.Warning);

// The keys lie in a folder that only their owner can read; there is no safer place on such a computer to lock them with.
builder.Logging.AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
builder.Services.AddSingleton(settings);
var library = new LibraryFolder(settings.DataFolder);
if (!describesOnly)
{
    try
    {
        library.Open();
    }
    catch (LibraryProblemException e)
    {
        await Console.Error.WriteLineAsync(e.Message);
        return 1;
    }
}

var canWrite = !describesOnly && library.OnlyForReading is null;
builder.Services.AddSingleton(_ => library);
builder.Services.AddSingleton<IDbContextFactory<KostelContext>>(library);
builder.Services.AddDataProtection().SetApplicationName("kostel").PersistKeysToFileSystem(new DirectoryInfo(library.KeyFolder));
builder.Services.AddSingleton(_ => canWrite ? DoorKey.Open(library.KeyFolder, settings.Run) : DoorKey.Passing(settings.Run));
builder.Services.AddSingleton<DoorSetting>();
builder.Services.AddSingleton<ServiceStore>();
builder.Services.AddSingleton<WriterStore>();
builder.Services.AddScoped(s => s.GetRequiredService<LibraryFolder>().CreateDbContext());
builder.Services.AddSingleton(_ => ModelFolder.Open(settings.ModelFolder, settings.ModelLock));
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddSingleton<ProgressBoard>();
builder.Services.AddSingleton<LoadedEngine>();
builder.Services.AddSingleton<WordKnowledgeFiles>();
builder.Services.AddSingleton(s => new ChapterFinder(() => s.GetRequiredService<WordKnowledgeFiles>().Value));
builder.Services.AddSingleton<SearchMemory>();
builder.Services.AddSingleton<ChapterStills>();
builder.Services.AddScoped<SearchReading>();
builder.Services.AddScoped<Answering>();
builder.Services.AddScoped<ThreadViews>();
builder.Services.AddScoped<WritingPassages>();
builder.Services.AddScoped<PlanReading>();
builder.Services.AddSingleton<RecogniserChoice>();
builder.Services.AddSingleton<IJobWork, TranscriptionWork>();
builder.Services.AddSingleton<IJobWork, VoicesWork>();
builder.Services.AddSingleton<IJobWork, FetchWork>();
builder.Services.AddSingleton<IJobWork, CopyWork>();
builder.Services.AddSingleton<IJobWork, RoutineWork>();
builder.Services.AddSingleton<IJobWork, HandOutWork>();
builder.Services.AddSingleton<AutomationFile>();
builder.Services.AddSingleton<WatchedFolders>();
builder.Services.AddSingleton<WebAccess>();
builder.Services.AddSingleton<LectureArrival>();
builder.Services.AddSingleton<FeedReading>();
builder.Services.AddSingleton<IGrammar, GrammarProcesses>(_ => new GrammarProcesses());
builder.Services.AddScoped<StudyMaking>();
builder.Services.AddScoped<SheetMaking>();
builder.Services.AddScoped<Asker>();
builder.Services.AddScoped<LectureEditing>();
builder.Services.AddScoped<LectureViews>();
builder.Services.AddSingleton<JobFailures>();
builder.Services.AddSingleton<ComputingHold>();
builder.Services.AddSingleton<JobQueue>();
builder.Services.AddSingleton<LiveListening>();
builder.Services.AddSingleton<RunningDictations>();
builder.Services.AddSingleton<EndedRecordings>();
builder.Services.AddSingleton<RunningRecordings>();
builder.Services.AddSingleton<Housekeeping>();
if (canWrite)
{
    builder.Services.AddHostedService(s => s.GetRequiredService<JobQueue>());
    builder.Services.AddHostedService(s => s.GetRequiredService<Housekeeping>());
    builder.Services.AddHostedService<FeedVisits>();
    builder.Services.AddHostedService(s => s.GetRequiredService<WatchedFolders>());
    builder.Services.AddHostedService<EarlierRecordings>();
    builder.Services.AddHostedService<SoundDrawings>();
}

if (!describesOnly)
{
    builder.Services.AddHostedService<WarmStart>();
}

builder.Services.AddSingleton<UploadTurns>();
builder.Services.AddSingleton<LectureIntake>();
builder.Services.AddSingleton<UploadFiles>();
builder.Services.AddSingleton<DemoLibrary>();
builder.Services.AddSignalR().AddJsonProtocol(o => Json(o.PayloadSerializerOptions));
builder.Services.ConfigureHttpJsonOptions(o => Json(o.SerializerOptions));
builder.Services.Configure<FormOptions>(o => o.MultipartBodyLengthLimit = 1 << 20);
builder.Services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
builder.Services.AddProblemDetails();
builder.Services.AddExceptionHandler<PlainProblems>();
builder.Services.AddOpenApi(o => o.AddSchemaTransformer(DescribedNames.Describe));

var app = builder.Build();
app.UseMiddleware<PageSecurity>();
app.UseExceptionHandler();
app.UseMiddleware<LocalOnly>();
app.UseMiddleware<OwnerOnlyDoor>();
app.UseMiddleware<ReadingOnly>();
app.UseRouting();
app.Use(BodyLimits.Apply);
app.MapOpenApi("/api/openapi.json");
var api = app.MapGroup("").AddEndpointFilter(SoundRequest.Check);
api.MapLibrary();
api.MapLectures();
api.MapTranscripts();
api.MapSpeakers();
api.MapEdits();
api.MapMarks();
api.MapCorrections();
api.MapExports();
api.MapArchives();
api.MapTexts();
api.MapTerms();
api.MapUploads();
api.MapRecordings();
api.MapDictations();
api.MapLinks();
api.MapFeeds();
api.MapRoutines();
api.MapStudySets();
api.MapArrivals();
api.MapSearch();
api.MapSubjects();
api.MapHeard();
api.MapPlans();
api.MapCourses();
api.MapSeveral();
api.MapQuestions();
api.MapThreads();
api.MapWritten();
api.MapWriter();
api.MapStudy();
api.MapSheets();
api.MapReview();
api.MapToday();
api.MapAbout();
api.MapLanguages();
api.MapStorage();
api.MapSettings();
api.MapAutomation();
app.MapHub<ProgressHub>("/hub/progress");
app.MapPages();

if (!describesOnly)
{
    await using (var context = library.CreateDbContext())
    {
        await app.Services.GetRequiredService<DoorSetting>().Read(context, CancellationToken.None);
    }

    if (canWrite)
    {
        await using var context = library.CreateDbContext();
        await app.Services.GetRequiredService<ServiceStore>().ProtectEarlier(context, CancellationToken.None);
    }

    if (canWrite && settings.DemoFolder is { } demo)
    {
        await app.Services.GetRequiredService<DemoLibrary>().SeedOnce(demo, CancellationToken.None);
    }

    try
    {
        await app.StartAsync();
    }
    catch (IOException e) when (e.InnerException is AddressInUseException)
    {
        await Console.Error.WriteLineAsync($"Another program answers at {settings.Address} already. Start with another port: --port NUMBER.");
        library.Dispose();
        return 1;
    }

    var address = app.Urls.First();
    if (canWrite)
    {
        new Opened(Environment.ProcessId, address, settings.Run).Write(library.Folder);
    }
    else
    {
        await Console.Error.WriteLineAsync(library.OnlyForReading);
    }

    await Console.Out.WriteLineAsync($"Kostel is open at {(app.Services.GetRequiredService<DoorSetting>().AsksForKey ? $"{address}/?key={app.Services.GetRequiredService<DoorKey>().NewKey()}" : address)}");
    await app.WaitForShutdownAsync();
    library.Dispose();
}
else
{
    await app.RunAsync();
}

return 0;

static void Json(System.Text.Json.JsonSerializerOptions options)
{
    options.NumberHandling = JsonNumberHandling.Strict;
    options.RespectNullableAnnotations = true;
    options.RespectRequiredConstructorParameters = true;
    options.AllowOutOfOrderMetadataProperties = true;
    options.Converters.Add(new StrictNames());
}
