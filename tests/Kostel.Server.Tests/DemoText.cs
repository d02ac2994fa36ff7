namespace Kostel.Server.Tests;

/// <summary>Transcripts of the demonstration, brought in as texts: lectures that are there at once, with enough in them to make things of.</summary>
internal static class DemoText
{
    public static byte[] Tides => Read("01-why-tides");

    public static byte[] Read(string name) => File.ReadAllBytes(Directory.GetFiles(Path.Combine(ServerProcess.Root, "demo", "transcripts"), $"{name}*.json").Single());

    public static Task<string> BringTides(this ServerProcess server, string title = "Why tides", string course = "") => server.BringIn("tides.json", Tides, title, course);
}
