using System.Net;
using System.Net.Http.Headers;
using System.Security.Authentication;
using Kostel.Core.Links;

namespace Kostel.Links.Guard;

/// <summary>
/// Fetches what strangers' addresses lead to: only over HTTP, only from the open network, checked anew at every redirect, and bounded in
/// time and size. Sends no cookies, no credentials and nothing of the person.
/// </summary>
public sealed class GuardedClient : IDisposable
{
    private const int LongestHeadersKilobytes = 64;
    private readonly HttpClient http;

    /// <summary>A client on a network.</summary>
    /// <param name="network">The way out.</param>
    /// <param name="limits">What is spent at most.</param>
    /// <param name="exceptions">Host and port of places on this computer that may be asked all the same.</param>
    public GuardedClient(INetwork network, LinkLimits limits, IEnumerable<string>? exceptions = null)
    {
        Limits = limits;
        http = new HttpClient(new SocketsHttpHandler
        {
            AllowAutoRedirect = false,
            UseProxy = false,
            UseCookies = false,
            AutomaticDecompression = DecompressionMethods.All,
            ConnectTimeout = limits.Connect,
            MaxResponseHeadersLength = LongestHeadersKilobytes,
            ConnectCallback = new GuardedConnection(network, exceptions?.ToHashSet(StringComparer.OrdinalIgnoreCase) ?? []).Connect,
        })
        {
            Timeout = Timeout.InfiniteTimeSpan,
        };
        http.DefaultRequestHeaders.UserAgent.Add(new ProductInfoHeaderValue("Kostel", "1"));
    }

    /// <summary>What is spent at most.</summary>
    public LinkLimits Limits { get; }

    /// <summary>Opens an address, following it to where it leads; its content is not read yet.</summary>
    /// <param name="address">Where to begin.</param>
    /// <param name="prepare">Adds headers to every request.</param>
    /// <param name="cancel">Gives up.</param>
    /// <exception cref="LinkProblemException">It cannot be opened.</exception>
    public async Task<GuardedAnswer> Open(Uri address, Action<HttpRequestHeaders>? prepare, CancellationToken cancel)
    {
        for (var redirects = 0; redirects <= Limits.Redirects; redirects++)
        {
            var response = await Send(address, prepare, cancel);
            if (!IsRedirect(response.StatusCode))
            {
                return Accept(response, address);
            }

            var location = response.Headers.Location;
            response.Dispose();
            address = Next(address, location);
        }

        throw new LinkProblemException($"This address leads from one to the next without end: after {Limits.Redirects} it was given up.");
    }

    /// <inheritdoc/>
    public void Dispose() => http.Dispose();

    private static Uri Next(Uri address, Uri? location) =>
        location is not null && Uri.TryCreate(address, location, out var next) && (next.Scheme == Uri.UriSchemeHttp || next.Scheme == Uri.UriSchemeHttps)
            && next.UserInfo.Length == 0 && next.OriginalString.Length <= LinkAddress.Longest
            ? next
            : throw new LinkProblemException($"{address.Host} leads on to something that is no address of the web.");

    private static bool IsRedirect(HttpStatusCode status) => status is HttpStatusCode.MovedPermanently or HttpStatusCode.Found or HttpStatusCode.SeeOther
        or HttpStatusCode.TemporaryRedirect or HttpStatusCode.PermanentRedirect or HttpStatusCode.MultipleChoices;

    private async Task<HttpResponseMessage> Send(Uri address, Action<HttpRequestHeaders>? prepare, CancellationToken cancel)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, address);
        prepare?.Invoke(request.Headers);
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Limits.Answer);
        try
        {
            return await http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, patience.Token);
        }
        catch (Exception e) when (Known(e) is { } known)
        {
            throw known;
        }
        catch (OperationCanceledException e) when (!cancel.IsCancellationRequested)
        {
            throw new LinkProblemException($"{address.Host} does not answer.", mayPass: true, e);
        }
        catch (HttpRequestException e) when (e.InnerException is AuthenticationException)
        {
            throw new LinkProblemException($"{address.Host} cannot prove who it is: its certificate is not valid. Nothing was fetched.", reason: e);
        }
        catch (HttpRequestException e)
        {
            throw new LinkProblemException($"{address.Host} answers nothing that can be understood.", mayPass: true, e);
        }
    }

    private static LinkProblemException? Known(Exception? e) => e is null or LinkProblemException ? e as LinkProblemException : Known(e.InnerException);

    private GuardedAnswer Accept(HttpResponseMessage response, Uri address)
    {
        if (response.IsSuccessStatusCode || response.StatusCode is HttpStatusCode.NotModified or HttpStatusCode.RequestedRangeNotSatisfiable)
        {
            return new GuardedAnswer(response, address, Limits);
        }

        var (host, status) = (address.Host, (int)response.StatusCode);
        var wait = response.Headers.RetryAfter?.Delta;
        response.Dispose();
        throw response.StatusCode switch
        {
            HttpStatusCode.Unauthorized or HttpStatusCode.Forbidden or HttpStatusCode.ProxyAuthenticationRequired or HttpStatusCode.PaymentRequired =>
                new LinkProblemException($"{host} lets in only who has logged in there ({status}). Download the recording with your browser and bring in the file."),
            HttpStatusCode.NotFound or HttpStatusCode.Gone => new LinkProblemException($"There is nothing at this address any more: {host} answers {status}."),
            HttpStatusCode.TooManyRequests or HttpStatusCode.ServiceUnavailable =>
                new LinkProblemException($"{host} is too busy at the moment ({status}){(wait is { } w ? $", and asks to wait {w.TotalSeconds:0} s" : "")}.", mayPass: true),
            _ => new LinkProblemException($"{host} refuses this address: it answers {status}.", mayPass: status >= 500),
        };
    }
}
