using Kostel.Core.Chapters;
using Kostel.Core.Text;
using Kostel.Speech;

namespace Kostel.Cli;

/// <summary>What is known of words on this computer, read once and when it is first needed.</summary>
internal static class KnownWords
{
    private static readonly Lazy<WordKnowledge> Read = new(() => new WordKnowledgeFiles(ModelFolder.Open(KostelPaths.Models, KostelPaths.ModelLock)).Value);

    /// <summary>All of it.</summary>
    public static WordKnowledge Value => Read.Value;

    /// <summary>Finds chapters with it.</summary>
    public static ChapterFinder Chapters { get; } = new(() => Value);
}
