using Kostel.Core.Text;
using Kostel.Data;

namespace Kostel.Server.Features.Languages;

/// <summary>In which spelling the recogniser's English is written from now on; what is there stays as it is.</summary>
internal static class SpellingSetting
{
    private const string Name = "spelling";

    /// <summary>The chosen one; as heard until somebody chooses.</summary>
    public static async Task<Spelling> Read(KostelContext context, CancellationToken cancel) =>
        Enum.TryParse<Spelling>(await context.Setting(Name, cancel), out var spelling) ? spelling : Spelling.AsHeard;

    /// <summary>Keeps a choice at once.</summary>
    public static Task Keep(KostelContext context, Spelling spelling, CancellationToken cancel) => context.KeepSetting(Name, spelling.ToString(), cancel);
}
