using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace Kostel.Core.Tests;

public class ArchitectureTests
{
    [Fact]
    public void References_between_projects_are_the_arrows_that_the_documentation_draws()
    {
        var drawn = File.ReadAllText(Path.Combine(Reference.Root, "docs/architecture.md")).Split("```arrows\n")[1].Split("```")[0]
            .Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(line => line.Split('\u2192'))
            .ToDictionary(ends => ends[0].Trim(), ends => ends[1].Split(' ', StringSplitOptions.RemoveEmptyEntries).Order().ToArray());
        var there = Directory.GetFiles(Path.Combine(Reference.Root, "src"), "*.csproj", SearchOption.AllDirectories).ToDictionary(
            file => Path.GetFileNameWithoutExtension(file)!,
            file => XDocument.Load(file).Descendants("ProjectReference").Select(r => Path.GetFileNameWithoutExtension(r.Attribute("Include")!.Value)).Order().ToArray());
        Assert.Equal(drawn.Keys.Order(), there.Keys.Order());
        Assert.All(drawn, d => Assert.Equal(d.Value, there[d.Key]));
    }

    [Fact]
    public void No_feature_of_the_server_calls_the_endpoints_of_another()
    {
        foreach (var file in Directory.GetFiles(Path.Combine(Reference.Root, "src/Kostel.Server"), "*.cs", SearchOption.AllDirectories).Where(f => !f.Contains("/obj/", StringComparison.Ordinal)))
        {
            var calls = Regex.Matches(File.ReadAllText(file), @"\b(\w+Endpoints)\.").Select(m => m.Groups[1].Value).Where(called => called != Path.GetFileNameWithoutExtension(file));
            Assert.True(!calls.Any(), $"{file} calls {string.Join(", ", calls)}: what several features use stands in Shared.");
        }
    }

    [Fact]
    public void Patterns_are_short_enough_to_be_read()
    {
        const int Longest = 120;
        foreach (var file in Directory.GetFiles(Path.Combine(Reference.Root, "src"), "*.cs", SearchOption.AllDirectories).Where(f => !f.Contains("/obj/", StringComparison.Ordinal)))
        {
            var patterns = File.ReadLines(file).Where(l => l.Contains("GeneratedRegex(", StringComparison.Ordinal)).Select(l => Regex.Match(l, "\"(.*)\"").Length);
            Assert.All(patterns, length => Assert.InRange(length, 0, Longest));
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
