using System.Xml.Linq;

namespace Kostel.Core.Tests;

public class ArchitectureTests
{
    private static readonly Dictionary<string, string[]> MayUse = new()
    {
        ["Kostel.Core"] = [],
        ["Kostel.Speech"] = ["Kostel.Core"],
        ["Kostel.Media"] = ["Kostel.Core"],
        ["Kostel.Data"] = ["Kostel.Core"],
        ["Kostel.Documents"] = ["Kostel.Core"],
        ["Kostel.Server"] = ["Kostel.Core", "Kostel.Data", "Kostel.Documents", "Kostel.Media", "Kostel.Speech"],
        ["Kostel.StandIn"] = ["Kostel.Core", "Kostel.Media", "Kostel.Speech"],
        ["Kostel.Cli"] = ["Kostel.Core", "Kostel.Data", "Kostel.Documents", "Kostel.Media", "Kostel.Speech"],
    };

    [Fact]
    public void Every_reference_between_projects_points_toward_the_core()
    {
        foreach (var file in Directory.GetFiles(Path.Combine(Reference.Root, "src"), "*.csproj", SearchOption.AllDirectories))
        {
            var references = XDocument.Load(file).Descendants("ProjectReference")
                .Select(r => Path.GetFileNameWithoutExtension(r.Attribute("Include")!.Value));
            Assert.Empty(references.Except(MayUse[Path.GetFileNameWithoutExtension(file)]));
        }
    }

    [Fact]
    public void The_core_uses_no_package_but_arithmetic_and_comparison_and_touches_no_file_process_or_network()
    {
        var packages = XDocument.Load(Path.Combine(Reference.Root, "src/Kostel.Core/Kostel.Core.csproj")).Descendants("PackageReference");
        Assert.Equal(["DiffPlex", "MathNet.Numerics", "System.Numerics.Tensors"], packages.Select(p => p.Attribute("Include")!.Value));
        string[] forbidden = ["System.IO", "System.Diagnostics.Process", "System.Net", "Microsoft.EntityFrameworkCore", "Microsoft.AspNetCore"];
        foreach (var file in Directory.GetFiles(Path.Combine(Reference.Root, "src/Kostel.Core"), "*.cs", SearchOption.AllDirectories))
        {
            Assert.DoesNotContain(File.ReadLines(file), line => line.StartsWith("using ", StringComparison.Ordinal) && forbidden.Any(line.Contains));
        }
    }
}
