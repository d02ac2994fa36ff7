using Kostel.Speech;
using Kostel.StandIn;

// A transcription service for trying things out, on this computer: it answers like one that is far away, with what Kostel's own
// models hear, or, where the model's name says so, like one that has trouble. Usage: [--port 5499] [--key practice]
var builder = WebApplication.CreateSlimBuilder(args);
builder.Logging.SetMinimumLevel(LogLevel.Warning);
builder.WebHost.ConfigureKestrel(k => k.ListenLocalhost(builder.Configuration.GetValue("port", 5499)));
builder.Services.AddSingleton(_ => ModelFolder.Open(
    Environment.GetEnvironmentVariable("KOSTEL_MODELS")!, Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK")!));
builder.Services.AddSingleton<Ear>();
var app = builder.Build();
app.Use(new Doorkeeper(builder.Configuration.GetValue("key", "practice")!).LetIn);
app.MapService();
app.Lifetime.ApplicationStarted.Register(() =>
    Console.WriteLine($"The stand-in service listens at http://localhost:{builder.Configuration.GetValue("port", 5499)}/v1 with the key '{builder.Configuration.GetValue("key", "practice")}'."));
app.Run();
