using Kostel.Core.Entries;

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

    /// <summary>A service as it is entered: with the key of the one that is known where none was typed.</summary>
    /// <param name="key">Null to keep the key that is known.</param>
    /// <exception cref="ServiceProblemException">It is no address, or the key that is known belongs to another one.</exception>
    /// <exception cref="Problems.NotValidException">Something is too long.</exception>
    public static ServiceAddress Entered(string address, string? key, string model, ServiceAddress? known)
    {
        var place = Parse(EntryRules.ServiceField.Read(address), EntryRules.ServiceField.Read(key), EntryRules.ServiceField.Read(model));
        if (key is not null || known is not { Key.Length: > 0 })
        {
            return place;
        }

        // A key is for one address: whoever changes that must have it.
        return known.Base == place.Base
            ? place with { Key = known.Key }
            : throw new ServiceProblemException("The address is another one. Enter the key for it again, or leave the field empty if it needs none.");
    }

    /// <summary>Whether nobody on the way can read along.</summary>
    public bool IsEncrypted => Base.Scheme == Uri.UriSchemeHttps || IsHere;

    /// <summary>Whether it is on this computer, so that nothing leaves it.</summary>
    public bool IsHere => Base.IsLoopback;

    /// <summary>Without the key.</summary>
    public override string ToString() => $"{Base} ({Model})";
}
