namespace Kostel.Cli;

/// <summary>Where things are, as the entry script says.</summary>
internal static class KostelPaths
{
    public static string Models => Environment.GetEnvironmentVariable("KOSTEL_MODELS")
        ?? Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.UserProfile), ".cache", "kostel", "models");

    public static string ModelLock => Environment.GetEnvironmentVariable("KOSTEL_MODEL_LOCK") ?? Path.Combine("models", "models.lock.json");
}
