namespace MorningRound.Core.Tests;

/// <summary>Files of the repository that tests read.</summary>
internal static class Repository
{
    public static string File(string path)
    {
        var folder = AppContext.BaseDirectory;
        while (!System.IO.File.Exists(Path.Combine(folder, "MorningRound.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        return Path.Combine(folder, path);
    }

    /// <summary>
    /// Holds a committed file against what the code makes today. With UPDATE_FIXTURES=1 it is written instead, to be read and
    /// committed.
    /// </summary>
    public static void AssertIs(string path, string made)
    {
        if (Environment.GetEnvironmentVariable("UPDATE_FIXTURES") == "1")
            System.IO.File.WriteAllText(File(path), made);
        Assert.True(
            System.IO.File.ReadAllText(File(path)) == made,
            $"{path} is not what the code makes today; UPDATE_FIXTURES=1 writes it anew."
        );
    }
}
