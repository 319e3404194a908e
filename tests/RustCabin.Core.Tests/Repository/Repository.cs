namespace RustCabin.Core.Tests;

/// <summary>The repository that the tests were built in.</summary>
static class Repository
{
    /// <summary>Its folder: the one above the test's that holds the solution.</summary>
    public static string Root { get; } = Find(AppContext.BaseDirectory);

    public static string Docs => Path.Combine(Root, "docs");

    /// <summary>Source files below a folder of it, without what is built and what is vendored.</summary>
    public static IEnumerable<string> Files(string folder, string pattern) =>
        Directory
            .EnumerateFiles(Path.Combine(Root, folder), pattern, SearchOption.AllDirectories)
            .Where(f => !Others.Any(o => f.Contains(o, StringComparison.Ordinal)));

    static readonly string[] Others = ["/obj/", "/bin/", "/lib/"];

    static string Find(string from) =>
        File.Exists(Path.Combine(from, "RustCabin.slnx"))
            ? from
            : Find(Path.GetDirectoryName(from) ?? throw new DirectoryNotFoundException("no RustCabin.slnx above the tests"));
}
