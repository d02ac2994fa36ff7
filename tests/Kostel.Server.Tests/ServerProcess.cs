using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kostel.Data.Folder;

namespace Kostel.Server.Tests;

/// <summary>The real server in a process of its own, on a free port and a library of its own, spoken to over HTTP.</summary>
internal sealed class ServerProcess : IDisposable
{
    private readonly bool ownsFolder;
    private readonly string[] arguments;
    private readonly StringBuilder errors = new();
    private readonly ConcurrentQueue<string> said = new();
    private Process process = null!;

    public ServerProcess(string? folder = null, params string[] arguments)
    {
        this.arguments = arguments;
        ownsFolder = folder is null;
        Folder = folder ?? Directory.CreateTempSubdirectory("kostel-test-").FullName;
        Start();
    }

    public static string Root { get; } = FindRoot();

    private const string With = "--with=";

    /// <summary>An argument that lets a server hear Spanish too.</summary>
    public static string WithSpanish => WithModels(Models);

    /// <summary>An argument that gives a server a folder of models.</summary>
    public static string WithModels(string folder) => With + folder;

    public static string Models { get; } = Environment.GetEnvironmentVariable("KOSTEL_MODELS")
        ?? Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.UserProfile), ".cache", "kostel", "models");

    /// <summary>The models without Spanish: a first hearing in a second language costs every small recording seconds, and only the tests of languages are about it.</summary>
    private static readonly Lazy<string> EnglishAlone = new(() =>
    {
        var folder = Directory.CreateTempSubdirectory("kostel-models-").FullName;
        foreach (var model in Directory.GetFiles(Models).Where(f => !Path.GetFileName(f).StartsWith("spanish", StringComparison.Ordinal)))
        {
            File.CreateSymbolicLink(Path.Combine(folder, Path.GetFileName(model)), model);
        }

        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);
        return folder;
    });

    public string Folder { get; }

    public HttpClient Http { get; private set; } = null!;

    /// <summary>As it was printed, with the key that opens once.</summary>
    public Uri PrintedAddress { get; private set; } = null!;

    /// <summary>What the server says of the library as it opens it, and of what went wrong.</summary>
    public string Errors => errors.ToString();

    public void Start()
    {
        process = Launch(Folder, 0, arguments);
        process.ErrorDataReceived += (_, e) => errors.AppendLine(e.Data);
        process.BeginErrorReadLine();
        var line = process.StandardOutput.ReadLine() ?? throw new InvalidOperationException($"The server did not start. {Errors}");
        PrintedAddress = new Uri(line[line.IndexOf("http", StringComparison.Ordinal)..]);
        var (output, log) = (process.StandardOutput, said);
        _ = Task.Run(async () =>
        {
            while (await output.ReadLineAsync() is { } more)
            {
                log.Enqueue(more);
            }
        });
        Http = new HttpClient(new FailuresTold(this)) { BaseAddress = new Uri(PrintedAddress.GetLeftPart(UriPartial.Authority)), Timeout = TimeSpan.FromMinutes(5) };

        // The printed address opens once; its cookie lasts.
        Http.GetAsync(PrintedAddress).GetAwaiter().GetResult().Dispose();
        Http.DefaultRequestHeaders.Add("Tus-Resumable", "1.0.0");
    }

    /// <summary>Starts a server on a library without waiting for it.</summary>
    public static Process Launch(string folder, int port = 0, params string[] arguments) => Process.Start(new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "Kostel.Server.dll"), "--data", folder, "--port", $"{port}", .. arguments])
    {
        Environment = { ["KOSTEL_MODELS"] = arguments.FirstOrDefault(a => a.StartsWith(With, StringComparison.Ordinal))?[With.Length..] ?? EnglishAlone.Value, ["KOSTEL_MODEL_LOCK"] = Path.Combine(Root, "models", "models.lock.json") },
        RedirectStandardOutput = true,
        RedirectStandardError = true,
    })!;

    /// <summary>SIGKILL: nothing gets to tidy up.</summary>
    public void Kill()
    {
        process.Kill(entireProcessTree: true);
        process.WaitForExit();
        process.Dispose();
        Http.Dispose();
    }

    /// <summary>The cookie that lets a browser in, as a header.</summary>
    public string CookieHeader => DoorKey.Open(Path.Combine(Folder, "keys"), "") is var door ? $"{door.Cookie}={door.Pass}" : "";

    /// <summary>Creates an upload (tus 1.0) and returns its address.</summary>
    public async Task<string> CreateUpload(string name, long length, string title = "", string course = "", string accuracy = "fast")
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/uploads");
        request.Headers.Add("Upload-Length", $"{length}");
        request.Headers.Add("Upload-Metadata", $"filename {Base64(name)},title {Base64(title)},course {Base64(course)},accuracy {Base64(accuracy)}");
        using var response = await Http.SendAsync(request);
        response.EnsureSuccessStatusCode();
        return response.Headers.Location!.ToString();
    }

    public async Task<HttpResponseMessage> SendPiece(string address, long offset, byte[] piece)
    {
        var content = new ByteArrayContent(piece);
        content.Headers.ContentType = new("application/offset+octet-stream");
        using var request = new HttpRequestMessage(HttpMethod.Patch, address) { Content = content };
        request.Headers.Add("Upload-Offset", $"{offset}");
        return await Http.SendAsync(request);
    }

    public async Task<long?> Offset(string address)
    {
        using var response = await Http.SendAsync(new HttpRequestMessage(HttpMethod.Head, address));
        return response.IsSuccessStatusCode ? long.Parse(response.Headers.GetValues("Upload-Offset").Single()) : null;
    }

    /// <summary>Brings a file in and returns the lecture's identifier.</summary>
    /// <param name="isAsked">Leaves a recording that is there already to whoever asks for it; else it is taken in once more.</param>
    public async Task<string> BringIn(string name, byte[] bytes, string title = "", string course = "", bool isAsked = false)
    {
        var address = await CreateUpload(name, bytes.Length, title, course);
        if (bytes.Length > 0)
        {
            (await SendPiece(address, 0, bytes)).EnsureSuccessStatusCode();
        }

        var id = address.Split('/')[^1];
        if (!isAsked)
        {
            await OnceMore(id);
        }

        return id;
    }

    /// <summary>Takes in a recording that the library has already, if this is one.</summary>
    public async Task OnceMore(string id)
    {
        if ((await Get("/api/uploads")).AsArray().Any(u => (string?)u!["id"] == id && u["same"] is not null))
        {
            (await Send(HttpMethod.Post, $"/api/uploads/{id}/once-more")).EnsureSuccessStatusCode();
        }
    }

    /// <summary>Waits until a lecture's transcription has ended in some way and returns the lecture.</summary>
    public async Task<JsonNode> Ended(string id)
    {
        for (var wait = Stopwatch.StartNew(); wait.Elapsed < TimeSpan.FromMinutes(10);)
        {
            var lecture = await Get($"/api/lectures/{id}");
            if (lecture["progress"] is null || lecture["progress"]!["state"]!.GetValue<string>() is "failed" or "cancelled")
            {
                return lecture;
            }

            await Task.Delay(100);
        }

        throw new TimeoutException("The transcription did not end.");
    }

    public async Task<JsonNode> Get(string address) => (await Http.GetFromJsonAsync<JsonNode>(address))!;

    public async Task<JsonNode> Post(string address, object? body = null)
    {
        using var response = await Http.PostAsJsonAsync(address, body ?? new { }, JsonSerializerOptions.Web);
        var text = await response.Content.ReadAsStringAsync();
        Assert.True(response.IsSuccessStatusCode, $"{address}: {(int)response.StatusCode} {text}");
        return text.Length == 0 ? new JsonObject() : JsonNode.Parse(text)!;
    }

    public async Task<string> Text(string id) =>
        string.Join(' ', (await Get($"/api/lectures/{id}/transcript"))["passages"]!.AsArray().Select(p => p!["text"]!.GetValue<string>()));

    /// <summary>Sends something and gives the answer as it is.</summary>
    public Task<HttpResponseMessage> Send(HttpMethod method, string address, object? body = null) =>
        Http.SendAsync(new HttpRequestMessage(method, address) { Content = body is null ? null : JsonContent.Create(body, options: JsonSerializerOptions.Web) });

    /// <summary>The plain words of an answer that refuses something.</summary>
    public static async Task<string> Detail(HttpResponseMessage response) =>
        JsonNode.Parse(await response.Content.ReadAsStringAsync())!["detail"]!.GetValue<string>();

    public void Dispose()
    {
        Kill();
        if (ownsFolder)
        {
            Directory.Delete(Folder, recursive: true);
        }
    }

    private static string Base64(string text) => Convert.ToBase64String(Encoding.UTF8.GetBytes(text));

    private static string FindRoot()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Kostel.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }

        return folder;
    }

    /// <summary>What the server wrote of a request that failed in it stands beside the test that failed by it.</summary>
    private sealed class FailuresTold(ServerProcess server) : DelegatingHandler(new HttpClientHandler())
    {
        protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken cancellationToken)
        {
            var response = await base.SendAsync(request, cancellationToken);
            if (response.StatusCode == HttpStatusCode.InternalServerError)
            {
                // The log comes by another way than the answer, and may come a little later.
                await Task.Delay(500, cancellationToken);
                await Console.Error.WriteLineAsync($"{request.Method} {request.RequestUri} failed in the server:\n{string.Join('\n', server.said)}");
            }

            return response;
        }
    }
}

/// <summary>One server for the tests of a class.</summary>
public sealed class SharedServer : IDisposable
{
    internal ServerProcess Server { get; } = new();

    public void Dispose() => Server.Dispose();
}
