using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;

namespace Kostel.Server.Shared;

/// <summary>Keeps a key of a service only protected, so that neither the database nor a copy of it gives it away.</summary>
internal sealed class KeptKey(IDataProtectionProvider protection, string purpose)
{
    private readonly IDataProtector protector = protection.CreateProtector(purpose);

    /// <summary>The form in which it is kept; null for none.</summary>
    public string? Protect(string key) => key.Length == 0 ? null : protector.Protect(key);

    /// <summary>The key; empty for none, and where it was protected on another computer and must be entered again.</summary>
    public string Open(string? kept)
    {
        try
        {
            return kept is null ? "" : protector.Unprotect(kept);
        }
        catch (CryptographicException)
        {
            return "";
        }
    }
}
