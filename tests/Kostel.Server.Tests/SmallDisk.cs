using System.Diagnostics;

namespace Kostel.Server.Tests;

/// <summary>A file system of its own in memory. Mounting one needs root.</summary>
internal sealed class SmallDisk : IDisposable
{
    public SmallDisk(string size)
    {
        Assert.SkipUnless(Environment.UserName == "root", "Mounting a small file system needs root.");
        Folder = Directory.CreateTempSubdirectory("kostel-disk-").FullName;
        Run("mount", "-t", "tmpfs", "-o", $"size={size}", "tmpfs", Folder);
    }

    public string Folder { get; }

    public void Remount(string how) => Run("mount", "-o", $"remount,{how}", Folder);

    /// <summary>Takes all room that is left.</summary>
    public string Fill()
    {
        var path = Path.Combine(Folder, "filler");
        try
        {
            using var file = File.Create(path);
            while (true)
            {
                file.Write(new byte[4_096]);
                file.Flush();
            }
        }
        catch (IOException)
        {
            return path;
        }
    }

    public void Dispose()
    {
        Run("umount", "-l", Folder);
        Directory.Delete(Folder);
    }

    private static void Run(string program, params string[] arguments)
    {
        using var process = Process.Start(program, arguments);
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
    }
}
