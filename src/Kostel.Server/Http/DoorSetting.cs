using Kostel.Data;

namespace Kostel.Server.Http;

/// <summary>Whether Kostel asks for the library's key. It does unless the person has switched that off, or it was started so.</summary>
public sealed class DoorSetting(ServerSettings settings)
{
    private const string Name = "door";
    private const string Open = "open";
    private volatile bool isOpen = settings.IsDoorOpen;

    /// <summary>Whether it does now.</summary>
    public bool AsksForKey => !isOpen;

    /// <summary>Reads what was chosen; at the start.</summary>
    public async Task Read(KostelContext context, CancellationToken cancel) =>
        isOpen = settings.IsDoorOpen || await context.Setting(Name, cancel) == Open;

    /// <summary>Keeps a choice at once.</summary>
    public async Task Keep(KostelContext context, bool asks, CancellationToken cancel)
    {
        await context.KeepSetting(Name, asks ? "key" : Open, cancel);
        isOpen = !asks;
    }
}
