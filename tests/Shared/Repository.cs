using System.Reflection;

namespace RustCabin.Tests.Shared;

/// <summary>The repository that the tests were built in.</summary>
public static class Repository
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

    /// <summary>The assemblies that these tests answer for: themselves, what they are of, and what has no tests of its own.
    /// </summary>
    public static IReadOnlyList<string> Mine { get; } =
    [
        .. Directory
            .EnumerateFiles(AppContext.BaseDirectory, "RustCabin.*.dll")
            .Select(f => Path.GetFileNameWithoutExtension(f))
            .Where(name => name == Me || $"{name}.Tests" == Me || name == "RustCabin.Benchmarks"),
    ];

    static string Me => Assembly.GetExecutingAssembly().GetName().Name!;

    /// <summary>The C# that they are made of.</summary>
    public static IEnumerable<string> MySources =>
        from name in Mine
        from folder in (string[])["src", "tests", "bench"]
        where Directory.Exists(Path.Combine(Root, folder, name))
        from file in Files(Path.Combine(folder, name), "*.cs")
        select file;

    static string Find(string from) =>
        File.Exists(Path.Combine(from, "RustCabin.slnx"))
            ? from
            : Find(Path.GetDirectoryName(from) ?? throw new DirectoryNotFoundException("no RustCabin.slnx above the tests"));
}
