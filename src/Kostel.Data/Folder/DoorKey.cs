using System.Collections.Concurrent;
using System.Security.Cryptography;
using System.Text;

namespace Kostel.Data.Folder;

/// <summary>
/// What lets a browser in: only who can read the library's own folder has it. An address that Kostel prints carries a key that opens once and
/// becomes a cookie that lasts; a program sends the pass itself.
/// </summary>
public sealed class DoorKey
{
    private const int SecretBytes = 32;
    private readonly ConcurrentDictionary<string, bool> used = new();
    private readonly byte[] secret;
    private readonly string run;

    private DoorKey(byte[] secret, string run) => (this.secret, this.run) = (secret, run);

    /// <summary>The pass that a cookie or an Authorization header carries.</summary>
    public string Pass => Signed("pass");

    /// <summary>The cookie's name: each library has its own, because browsers share cookies between the ports of a computer.</summary>
    public string Cookie => "kostel-" + Signed("cookie")[..8];

    /// <summary>The key of a library, made when there is none yet.</summary>
    /// <param name="keyFolder">Readable for the owner alone.</param>
    /// <param name="run">The run of the server that printed keys are for.</param>
    public static DoorKey Open(string keyFolder, string run)
    {
        var path = Path.Combine(keyFolder, "door");
        if (!File.Exists(path) || File.ReadAllBytes(path) is not { Length: SecretBytes } secret)
        {
            secret = RandomNumberGenerator.GetBytes(SecretBytes);
            var fresh = path + ".fresh";
            File.WriteAllBytes(fresh, secret);
            File.Move(fresh, path, overwrite: true);
        }

        return new DoorKey(secret, run);
    }

    /// <summary>A key that nobody else has, for a library that cannot be written to.</summary>
    public static DoorKey Passing(string run) => new(RandomNumberGenerator.GetBytes(SecretBytes), run);

    /// <summary>A new key that opens once, in this run of the server.</summary>
    public string NewKey()
    {
        var name = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(8));
        return name + Signed($"once {run} {name}");
    }

    /// <summary>Whether a key opens; it does so once.</summary>
    public bool Opens(string key)
    {
        const int NameLength = 16;
        return key.Length > NameLength && Same(key[NameLength..], Signed($"once {run} {key[..NameLength]}")) && used.TryAdd(key, true);
    }

    /// <summary>Whether this is the pass.</summary>
    public bool IsPass(string? told) => told is not null && Same(told, Pass);

    private static bool Same(string a, string b) => CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(a), Encoding.UTF8.GetBytes(b));

    private string Signed(string what) => Convert.ToHexStringLower(HMACSHA256.HashData(secret, Encoding.UTF8.GetBytes(what)));
}
