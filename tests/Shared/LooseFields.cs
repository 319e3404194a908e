using System.Reflection;
using System.Reflection.Emit;

namespace RustCabin.Tests.Shared;

/// <summary>
/// Private fields that are set only while their object is made, and are not marked <c>readonly</c>. They are read from what was
/// compiled: the analyzer that finds them comes with others that take a quarter of the build.
/// </summary>
public static class LooseFields
{
    static readonly OpCode[] Writing = [OpCodes.Stfld, OpCodes.Stsfld, OpCodes.Ldflda, OpCodes.Ldsflda];

    /// <summary>Each as its type and its name.</summary>
    public static IReadOnlyList<string> In(Assembly assembly) => Among(assembly.GetTypes());

    /// <param name="types">With all those that stand inside of them: a private field is written to nowhere else.</param>
    public static IReadOnlyList<string> Among(IReadOnlyList<Type> types)
    {
        HashSet<int> setLater =
        [
            .. types
                .SelectMany(t => t.GetMethods(Instructions.Declared))
                .SelectMany(Instructions.Of)
                .Where(i => Writing.Contains(i.Code) && i.Named is FieldInfo)
                .Select(i => i.Named!.MetadataToken),
        ];
        return
        [
            .. types
                .Where(t => !t.Name.Contains('<', StringComparison.Ordinal))
                .SelectMany(t => t.GetFields(Instructions.Declared))
                .Where(f => f is { IsPrivate: true, IsInitOnly: false, IsLiteral: false } && !setLater.Contains(f.MetadataToken))
                // What the compilers of C# and of pages add has no name that a person gives.
                .Where(f => !f.Name.Contains('<', StringComparison.Ordinal) && !f.Name.StartsWith("__", StringComparison.Ordinal))
                .Select(f => $"{f.DeclaringType!.Name}.{f.Name}"),
        ];
    }
}
