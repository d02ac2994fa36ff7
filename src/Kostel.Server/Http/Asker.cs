namespace Kostel.Server.Http;

/// <summary>Who asks, in this request. The door says so when it lets a request in; an address that went past it finds nobody.</summary>
public sealed class Asker
{
    private int? personId;

    /// <summary>The person.</summary>
    /// <exception cref="InvalidOperationException">The request did not come through the door.</exception>
    public int PersonId => personId ?? throw new InvalidOperationException("Nobody asks: this request did not come through OwnerOnlyDoor. Put the address behind it.");

    /// <summary>Says who it is.</summary>
    internal void Is(int id) => personId = id;
}
