namespace Kostel.Core.Services;

/// <summary>Where a service is, and how it lets itself be asked.</summary>
/// <param name="Base">What all its addresses begin with, such as <c>https://example.org/v1/</c>; ends in a slash.</param>
/// <param name="Key">Is sent with every question and with nothing else; never shown or logged.</param>
/// <param name="Model">Which of its models to ask.</param>
public sealed record ServiceAddress(Uri Base, string Key, string Model)
{
    /// <summary>Reads what a person typed.</summary>
    /// <exception cref="ServiceProblemException">It is no address of the web.</exception>
    public static ServiceAddress Parse(string address, string key, string model)
    {
        if (!Uri.TryCreate(address.Trim().TrimEnd('/') + "/", UriKind.Absolute, out var uri)
            || (uri.Scheme != Uri.UriSchemeHttp && uri.Scheme != Uri.UriSchemeHttps)
            || uri.UserInfo.Length > 0 || uri.Query.Length > 0 || uri.Fragment.Length > 0)
        {
            throw new ServiceProblemException("The address begins with https:// or http:// and holds no name, question mark or # sign.");
        }

        if (key.Any(c => c is < '!' or > '~'))
        {
            throw new ServiceProblemException("A key has letters, digits and signs without spaces.");
        }

        return new ServiceAddress(uri, key, model.Trim());
    }

    /// <summary>Whether it is on this computer, so that nothing leaves it.</summary>
    public bool IsHere => Base.IsLoopback;

    /// <summary>Without the key.</summary>
    public override string ToString() => $"{Base} ({Model})";
}
