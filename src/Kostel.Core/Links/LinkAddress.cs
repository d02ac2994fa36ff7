using Kostel.Core.Problems;

namespace Kostel.Core.Links;

/// <summary>Reads an address of the web that a person gives.</summary>
public static class LinkAddress
{
    /// <summary>Longer ones are no address that anybody means to give (browsers and servers commonly stop at 2,000 to 8,000).</summary>
    public const int Longest = 4_000;

    /// <summary>The address.</summary>
    /// <exception cref="NotValidException">It is none, or one that is not fetched; the message does not repeat it.</exception>
    public static Uri Read(string text)
    {
        var clean = text.Trim();
        if (clean.Length > Longest)
        {
            throw new NotValidException($"An address has up to {Longest} characters. Nothing was kept of this one.");
        }

        // Who types "example.org/talk" means the web.
        var whole = clean.Contains("://", StringComparison.Ordinal) ? clean : "https://" + clean;
        if (clean.Length == 0 || clean.Any(char.IsWhiteSpace) || !Uri.TryCreate(whole, UriKind.Absolute, out var address) || address.Host.Length == 0)
        {
            throw new NotValidException("This is no address of the web. It begins with https:// or http://.");
        }

        if (address.Scheme != Uri.UriSchemeHttps && address.Scheme != Uri.UriSchemeHttp)
        {
            throw new NotValidException("Only addresses that begin with https:// or http:// are fetched.");
        }

        return address.UserInfo.Length == 0
            ? address
            : throw new NotValidException("This address holds a name and password. Kostel does not fetch such addresses, and kept nothing of it.");
    }
}
