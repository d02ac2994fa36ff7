namespace Kostel.Data.Rows;

/// <summary>A thing that was chosen.</summary>
public sealed class SettingRow
{
    /// <summary>Stands for an owner where a thing was chosen for the library.</summary>
    public const int OfLibrary = 0;

    /// <summary>Whose choice; <see cref="OfLibrary"/> for everybody's.</summary>
    public int OwnerId { get; set; }

    public required string Name { get; set; }

    public required string Value { get; set; }
}
