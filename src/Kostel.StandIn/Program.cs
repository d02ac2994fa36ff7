using Kostel.Speech;
using Kostel.StandIn;
using Kostel.StandIn.Site;

// For trying things out, on this computer: models that write answers, well or badly; a transcription service, which answers like one that is far away with what Kostel's own models
// hear, or like one that has trouble; and a web site with talks, a feed, a stream and addresses that are broken or hostile.
// Usage: [--port 5499] [--key practice] [--site demo/site]
var builder = WebApplication.CreateSlimBuilder(args);
builder.Logging.SetMinimumLevel(LogLevel.Error);
var port = builder.Configuration.GetValue("port", 5499);
var key = builder.Configuration.GetValue("key", "practice")!;
builder.WebHost.ConfigureKestrel(k => k.ListenLocalhost(port));
builder.Services.AddSingleton(_ => ModelFolder.Open(
    Environment.GetEnvironmentVariable("KOSTEL_MODELS")!, Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK")!));
builder.Services.AddSingleton<Ear>();
var app = builder.Build();
app.UseWhen(c => c.Request.Path.StartsWithSegments("/v1"), service => service.Use(new Doorkeeper(key).LetIn));
app.MapService();
app.MapWriters();
var site = builder.Configuration["site"];
if (site is not null)
{
    app.MapSite(new SiteTalks(site));
}

app.Lifetime.ApplicationStarted.Register(() =>
{
    Console.WriteLine($"The stand-in service listens at http://localhost:{port}/v1 with the key '{key}'.");
    if (site is not null)
    {
        Console.WriteLine($"The stand-in site stands at http://localhost:{port}/");
    }
});
app.Run();
