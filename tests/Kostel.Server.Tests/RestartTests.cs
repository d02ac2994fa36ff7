using System.Diagnostics;
using System.Globalization;
using Kostel.Core.Speech;

namespace Kostel.Server.Tests;

public sealed class RestartTests
{
    private static readonly int Kills = int.TryParse(Environment.GetEnvironmentVariable("KOSTEL_KILLS"), CultureInfo.InvariantCulture, out var kills) ? kills / 10 : 4;

    /// <summary>An import of a clip is killed (SIGKILL) at random moments, from the upload to the end. KOSTEL_KILLS says how often, ten times over.</summary>
    [Fact]
    public async Task An_import_that_is_killed_at_any_moment_completes_after_a_restart()
    {
        var bytes = Clips.Speech(8);
        using var server = new ServerProcess();
        var watch = Stopwatch.StartNew();
        var clean = await server.BringIn("clean.mp3", bytes);
        await server.Ended(clean);
        var whole = watch.ElapsedMilliseconds;
        var expected = await server.Text(clean);
        var random = new Random(20261125);
        for (var kill = 0; kill < Kills; kill++)
        {
            var moment = random.Next((int)(whole * 1.1));
            var importing = Import(server, bytes);
            await Task.Delay(moment);
            server.Kill();
            var address = await importing;
            server.Start();
            var id = await GoOn(server, address, bytes);
            var lecture = await server.Ended(id);
            Assert.True(lecture["progress"] is null, $"Killed after {moment} ms: {lecture["progress"]}");
            await IsWhole(server, id, expected, moment);
            (await server.Http.DeleteAsync($"/api/lectures/{id}")).EnsureSuccessStatusCode();
        }

        var all = (await server.Get("/api/library"))["lectures"]!.AsArray();
        Assert.Single(all);
    }

    /// <summary>Sends the clip in two pieces; returns the upload's address, or null when the server died before giving one.</summary>
    private static async Task<string?> Import(ServerProcess server, byte[] bytes)
    {
        string? address = null;
        try
        {
            address = await server.CreateUpload("clip.mp3", bytes.Length);
            var half = bytes.Length / 2;
            await server.SendPiece(address, 0, bytes[..half]);
            await server.SendPiece(address, half, bytes[half..]);
        }
        catch (Exception e) when (e is HttpRequestException or TaskCanceledException or ObjectDisposedException)
        {
            // This is the kill.
        }

        return address;
    }

    /// <summary>What a client of the upload protocol does after a break: asks how far it came and sends the rest.</summary>
    private static async Task<string> GoOn(ServerProcess server, string? address, byte[] bytes)
    {
        if (address is null || await server.Offset(address) is not { } offset)
        {
            return await server.BringIn("clip.mp3", bytes);
        }

        if (offset < bytes.Length)
        {
            (await server.SendPiece(address, offset, bytes[(int)offset..])).EnsureSuccessStatusCode();
        }

        await server.OnceMore(address.Split('/')[^1]);
        return address.Split('/')[^1];
    }

    /// <summary>No passage twice, none missing: the same words in the order of time, but for what a cut in another place changes.</summary>
    private static async Task IsWhole(ServerProcess server, string id, string expected, int moment)
    {
        var text = await server.Text(id);
        var errors = WordErrorRate.Compare(expected, text);
        Assert.True(errors.Rate <= 0.1, $"Killed after {moment} ms: {errors}\n{expected}\n{text}");
        var transcript = await server.Get($"/api/lectures/{id}/transcript");
        var passages = transcript["passages"]!.AsArray();
        Assert.Equal(passages.Count, passages.Select(p => p!["id"]!.GetValue<string>()).Distinct().Count());
        var starts = passages.SelectMany(p => p!["startsMs"]!.AsArray()).Select(w => w!.GetValue<int>()).ToList();
        Assert.Equal(starts.Order(), starts);
    }
}
