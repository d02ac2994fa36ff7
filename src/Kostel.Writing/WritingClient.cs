using System.ClientModel;
using System.ClientModel.Primitives;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Kostel.Core.Answers.Written;
using Kostel.Core.Services;
using Microsoft.Extensions.AI;
using OpenAI;

namespace Kostel.Writing;

/// <summary>
/// Lets a model of the person's own write, by the chat-completion protocol that many services and programs speak (Microsoft.Extensions.AI).
/// What went wrong is said in plain words that never hold the key.
/// </summary>
/// <remarks>Redirections are not followed, so that text and key go only where the person said.</remarks>
public sealed class WritingClient : IDisposable
{
    private const int LongestAnswer = 12_000, MostTokens = 700;
    private readonly ServiceAddress address;
    private readonly TimeSpan patience;
    private readonly HttpClient http;
    private readonly IChatClient chat;

    /// <param name="patience">How long the first word may take, and each next one.</param>
    public WritingClient(ServiceAddress address, TimeSpan? patience = null)
    {
        (this.address, this.patience) = (address, patience ?? TimeSpan.FromSeconds(60));
        http = new HttpClient(new SocketsHttpHandler { AllowAutoRedirect = false, ConnectTimeout = TimeSpan.FromSeconds(10), UseCookies = false }) { Timeout = Timeout.InfiniteTimeSpan };
        var options = new OpenAIClientOptions
        {
            Endpoint = address.Base,
            Transport = new HttpClientPipelineTransport(http),
            RetryPolicy = new ClientRetryPolicy(0),
            NetworkTimeout = Timeout.InfiniteTimeSpan,
        };
        chat = new OpenAIClient(new ApiKeyCredential(address.Key.Length > 0 ? address.Key : "none"), options).GetChatClient(address.Model).AsIChatClient();
    }

    /// <summary>Asks for a word, to see whether address, key and model are right.</summary>
    /// <exception cref="ServiceProblemException">They are not.</exception>
    public async Task Meet(CancellationToken cancel)
    {
        await foreach (var _ in Stream([new ChatMessage(ChatRole.User, "Answer with the word yes.")], 16, endsEarly: true, cancel))
        {
        }
    }

    /// <summary>What it writes, piece by piece as it comes.</summary>
    /// <exception cref="ServiceProblemException">It does not answer, refuses, breaks off, or writes without an end.</exception>
    public IAsyncEnumerable<string> Write(WritingRequest request, CancellationToken cancel) =>
        Write(WritingPrompt.Rules(request), WritingPrompt.Passages(request), MostTokens, cancel);

    /// <summary>The same by other rules.</summary>
    /// <param name="rules">How it is to write.</param>
    /// <param name="given">What it is to write of.</param>
    /// <param name="mostTokens">How much it may write; a word has one or two.</param>
    /// <exception cref="ServiceProblemException">It does not answer, refuses, breaks off, or writes without an end.</exception>
    public IAsyncEnumerable<string> Write(string rules, string given, int mostTokens, CancellationToken cancel) =>
        Stream([new ChatMessage(ChatRole.System, rules), new ChatMessage(ChatRole.User, given)], mostTokens, endsEarly: false, cancel);

    private async IAsyncEnumerable<string> Stream(ChatMessage[] messages, int tokens, bool endsEarly, [EnumeratorCancellation] CancellationToken cancel)
    {
        using var late = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        await using var pieces = chat.GetStreamingResponseAsync(messages, new ChatOptions { MaxOutputTokens = tokens, Temperature = 0 }, late.Token).GetAsyncEnumerator(late.Token);
        var (length, finish) = (0, (ChatFinishReason?)null);
        while (true)
        {
            late.CancelAfter(patience);
            ChatResponseUpdate piece;
            try
            {
                if (!await pieces.MoveNextAsync())
                {
                    break;
                }

                piece = pieces.Current;
            }
            catch (Exception e) when (!cancel.IsCancellationRequested && Plain(e) is { } problem)
            {
                throw problem;
            }

            finish = piece.FinishReason ?? finish;
            if (piece.Text is { Length: > 0 } text)
            {
                length += text.Length;
                if (length > LongestAnswer)
                {
                    throw Problem("wrote on and on, and was stopped.");
                }

                yield return text;
            }
        }

        if (finish == ChatFinishReason.ContentFilter)
        {
            throw Problem("refused to write this.");
        }

        if (!endsEarly && (finish is null || finish == ChatFinishReason.Length))
        {
            throw Problem("broke off in the middle.");
        }
    }

    private ServiceProblemException? Plain(Exception e) => e switch
    {
        OperationCanceledException => Problem("did not answer in time.", mayPass: true),
        ClientResultException { Status: 401 or 403 } => Problem("does not accept the key."),
        ClientResultException { Status: 404 } => Problem($"has no model “{address.Model}”, or the address is another one."),
        ClientResultException { Status: 429 } => Problem("takes no more for now; its limit is reached.", mayPass: true),
        ClientResultException { Status: >= 300 and < 400 } => Problem("sends on to another address. Enter that one."),
        ClientResultException { Status: 0 } => Problem("cannot be reached.", mayPass: true),
        ClientResultException { Status: var status } => Problem($"answered with an error ({status})."),
        HttpRequestException or IOException => Problem("cannot be reached, or broke off.", mayPass: true),
        AggregateException { InnerException: { } inner } => Plain(inner),
        JsonException or FormatException or InvalidOperationException or ArgumentException or KeyNotFoundException or NotSupportedException => Problem("did not answer in the form that was asked for."),
        _ => null,
    };

    private ServiceProblemException Problem(string what, bool mayPass = false) => new($"{address.Base.Host} {what}", mayPass);

    /// <inheritdoc/>
    public void Dispose()
    {
        chat.Dispose();
        http.Dispose();
    }
}
