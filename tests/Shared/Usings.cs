using System.Reflection;
using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using System.Text.RegularExpressions;

namespace RustCabin.Tests.Shared;

/// <summary>
/// Namespaces that a file asks for and says nothing of: no type of them, and nothing that they add to other types. They are
/// found by the words of the file; the analyzer that binds every word comes with others that take a quarter of a build.
/// </summary>
public static partial class Usings
{
    /// <summary>The words that each namespace brings, of all assemblies that this process can see.</summary>
    static readonly Lazy<Dictionary<string, HashSet<string>>> Brought = new(Read);

    /// <summary>The namespaces that a file asks for in vain.</summary>
    public static IEnumerable<string> InVain(string text)
    {
        HashSet<string> words = [.. Word().Matches(Asked().Replace(text, "")).Select(m => m.Value)];
        return Asked()
            .Matches(text)
            .Select(m => m.Groups["name"].Value)
            .Where(name => Brought.Value.TryGetValue(name, out HashSet<string>? brought) && !brought.Overlaps(words));
    }

    static Dictionary<string, HashSet<string>> Read()
    {
        var brought = new Dictionary<string, HashSet<string>>();
        string seen = (string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!;
        foreach (string path in seen.Split(Path.PathSeparator))
        {
            using var file = new PEReader(File.OpenRead(path));
            if (!file.HasMetadata)
                continue;
            MetadataReader read = file.GetMetadataReader();
            foreach (TypeDefinition type in read.TypeDefinitions.Select(read.GetTypeDefinition).Where(t => !t.IsNested))
                Add(brought, read, type);
            foreach (ExportedType type in read.ExportedTypes.Select(read.GetExportedType))
                Add(brought, read.GetString(type.Namespace), read.GetString(type.Name));
        }
        return brought;
    }

    static void Add(Dictionary<string, HashSet<string>> brought, MetadataReader read, TypeDefinition type)
    {
        string space = read.GetString(type.Namespace);
        Add(brought, space, read.GetString(type.Name));
        const TypeAttributes Static = TypeAttributes.Abstract | TypeAttributes.Sealed;
        if ((type.Attributes & Static) != Static)
            return;
        // What is added to other types stands in a static class: its methods, and the properties that they get.
        foreach (MethodDefinition method in type.GetMethods().Select(read.GetMethodDefinition))
            Add(brought, space, Property().Replace(read.GetString(method.Name), ""));
    }

    static void Add(Dictionary<string, HashSet<string>> brought, string space, string name)
    {
        if (!brought.TryGetValue(space, out HashSet<string>? names))
            brought[space] = names = [];
        string plain = name.Split('`')[0];
        names.Add(plain);
        if (plain.EndsWith(nameof(Attribute), StringComparison.Ordinal))
            names.Add(plain[..^nameof(Attribute).Length]);
    }

    [GeneratedRegex(@"^using (?<name>[\w.]+);$", RegexOptions.Multiline)]
    private static partial Regex Asked();

    [GeneratedRegex(@"[\p{L}_][\p{L}\p{Nd}_]*")]
    private static partial Regex Word();

    [GeneratedRegex("^[gs]et_")]
    private static partial Regex Property();
}
