using System.Net;
using System.Net.Http.Headers;
using System.Text.Json;
using Kostel.Core.Services;
using Polly;
using Polly.Retry;

namespace Kostel.Speech.Service;

/// <summary>A model of a service.</summary>
/// <param name="Languages">Codes of what it understands; null when the service does not say.</param>
/// <param name="Translates">Whether it also writes English for what was said in another language; null when the service does not say.</param>
public sealed record ServiceModel(string Id, IReadOnlyList<string>? Languages, bool? Translates);

/// <summary>What a service wrote.</summary>
/// <param name="Words">With times, where it gave them.</param>
/// <param name="Segments">Its sentences or so, where it gave no words.</param>
public sealed record ServiceText(string? Text, IReadOnlyList<ServiceWord>? Words, IReadOnlyList<ServiceSegment>? Segments);

/// <summary>A word; times in seconds.</summary>
public sealed record ServiceWord(string Word, double Start, double End, double? Probability = null);

/// <summary>A stretch of text; times in seconds.</summary>
public sealed record ServiceSegment(string Text, double Start, double End);

/// <summary>
/// Talks with a transcription service over HTTP, in the form that many of them understand: <c>GET models</c>,
/// <c>POST audio/transcriptions</c> with the sound as a form's file, the key as a bearer token (docs/formats.md).
/// </summary>
/// <remarks>Redirections are not followed, so that sound and key go only where the person said.</remarks>
public sealed class ServiceClient : IDisposable
{
    private const int LargestAnswer = 4 << 20, Attempts = 3;
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { RespectNullableAnnotations = true };
    private readonly ServiceAddress address;
    private readonly TimeSpan patience;
    private readonly HttpClient http;
    private readonly ResiliencePipeline retry;

    /// <param name="patience">How long an answer may take.</param>
    /// <param name="pause">Before the second attempt; twice as long before the third.</param>
    public ServiceClient(ServiceAddress address, TimeSpan? patience = null, TimeSpan? pause = null)
    {
        (this.address, this.patience) = (address, patience ?? TimeSpan.FromMinutes(1));
        http = new HttpClient(new SocketsHttpHandler { AllowAutoRedirect = false, ConnectTimeout = TimeSpan.FromSeconds(10), UseCookies = false })
        {
            BaseAddress = address.Base,
            Timeout = Timeout.InfiniteTimeSpan,
            MaxResponseContentBufferSize = LargestAnswer,
        };
        if (address.Key.Length > 0)
        {
            http.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", address.Key);
        }

        retry = new ResiliencePipelineBuilder().AddRetry(new RetryStrategyOptions
        {
            ShouldHandle = new PredicateBuilder().Handle<ServiceProblemException>(e => e.MayPass),
            MaxRetryAttempts = Attempts - 1,
            BackoffType = DelayBackoffType.Exponential,
            Delay = pause ?? TimeSpan.FromSeconds(2),
        }).Build();
    }

    /// <summary>The service's models, by their names.</summary>
    /// <exception cref="ServiceProblemException">It did not say.</exception>
    public async Task<IReadOnlyList<ServiceModel>> Models(CancellationToken cancel)
    {
        var list = await Ask<ModelList>(() => new HttpRequestMessage(HttpMethod.Get, "models"), cancel);
        return list.Data?.OfType<ServiceModel>().Where(m => !string.IsNullOrWhiteSpace(m.Id)).Select(m => m with { Languages = m.Languages?.OfType<string>().ToList() }).OrderBy(m => m.Id, StringComparer.Ordinal).ToList()
            ?? throw new ServiceProblemException($"{address.Base.Host} answers, but lists no models. Is the address right?");
    }

    /// <summary>What is said in a short piece of sound.</summary>
    /// <param name="wave">A WAVE file.</param>
    /// <param name="language">A code, or null when the service is to find out.</param>
    /// <exception cref="ServiceProblemException">It did not say, in three attempts where that could help.</exception>
    public Task<ServiceText> Transcribe(ReadOnlyMemory<byte> wave, string? language, CancellationToken cancel) =>
        retry.ExecuteAsync(async token => await Ask<ServiceText>(() => Question(wave, language), token), cancel).AsTask();

    /// <inheritdoc/>
    public void Dispose() => http.Dispose();

    private HttpRequestMessage Question(ReadOnlyMemory<byte> wave, string? language)
    {
        var file = new ReadOnlyMemoryContent(wave);
        file.Headers.ContentType = new MediaTypeHeaderValue("audio/wav");
        var form = new MultipartFormDataContent
        {
            { file, "file", "speech.wav" },
            { new StringContent(address.Model), "model" },
            { new StringContent("verbose_json"), "response_format" },
            { new StringContent("word"), "timestamp_granularities[]" },
        };
        if (language is not null)
        {
            form.Add(new StringContent(language), "language");
        }

        return new HttpRequestMessage(HttpMethod.Post, "audio/transcriptions") { Content = form };
    }

    private async Task<T> Ask<T>(Func<HttpRequestMessage> question, CancellationToken cancel)
    {
        using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        limit.CancelAfter(patience);
        var host = address.Base.Host;
        try
        {
            using var request = question();
            using var answer = await http.SendAsync(request, HttpCompletionOption.ResponseContentRead, limit.Token);
            Check(answer, host);
            return await JsonSerializer.DeserializeAsync<T>(await answer.Content.ReadAsStreamAsync(limit.Token), Json, limit.Token)
                ?? throw new ServiceProblemException($"{host} answered with nothing.", mayPass: true);
        }
        catch (OperationCanceledException e) when (!cancel.IsCancellationRequested)
        {
            throw new ServiceProblemException($"{host} did not answer within {patience.TotalSeconds:0} seconds.", mayPass: true, e);
        }
        catch (HttpRequestException e) when (e.HttpRequestError is HttpRequestError.ResponseEnded or HttpRequestError.Unknown && e.StatusCode is null && e.InnerException is IOException)
        {
            throw new ServiceProblemException($"The answer of {host} broke off.", mayPass: true, e);
        }
        catch (HttpRequestException e) when (e.HttpRequestError == HttpRequestError.ConfigurationLimitExceeded)
        {
            throw new ServiceProblemException($"The answer of {host} is far too long to be a transcript.", reason: e);
        }
        catch (HttpRequestException e)
        {
            throw new ServiceProblemException($"{host} cannot be reached. Is this computer online, and is the address right?", mayPass: true, e);
        }
        catch (JsonException e)
        {
            throw new ServiceProblemException($"{host} sent half an answer, or one that is no transcript.", mayPass: true, e);
        }
    }

    private static void Check(HttpResponseMessage answer, string host)
    {
        if (!answer.IsSuccessStatusCode)
        {
            throw answer.StatusCode switch
            {
                HttpStatusCode.Unauthorized or HttpStatusCode.Forbidden => new ServiceProblemException($"{host} refuses the key."),
                HttpStatusCode.NotFound => new ServiceProblemException($"{host} does not know this address or model."),
                HttpStatusCode.TooManyRequests => new ServiceProblemException($"{host} has had too many questions for now, or the account is used up.", mayPass: true),
                HttpStatusCode.RequestEntityTooLarge => new ServiceProblemException($"{host} takes no sound of this length."),
                >= HttpStatusCode.MultipleChoices and < HttpStatusCode.BadRequest => new ServiceProblemException($"{host} sends elsewhere. Enter the address it has now."),
                >= HttpStatusCode.InternalServerError => new ServiceProblemException($"{host} has trouble of its own ({(int)answer.StatusCode}).", mayPass: true),
                _ => new ServiceProblemException($"{host} refuses the sound ({(int)answer.StatusCode})."),
            };
        }

        if (answer.Content.Headers.ContentType?.MediaType is { } type && !type.EndsWith("json", StringComparison.OrdinalIgnoreCase))
        {
            throw new ServiceProblemException($"{host} answered with {type} instead of a transcript. Is the address right?");
        }
    }

    private sealed record ModelList(IReadOnlyList<ServiceModel>? Data);
}
