using System.Reflection;
using BenchmarkDotNet.Attributes;

namespace RustCabin.Benchmarks;

/// <summary>A benchmark by itself, run once without being measured: what <c>./cabin test</c> does with each, so that none has
/// stopped working unnoticed when it is wanted.</summary>
/// <param name="Type">The class that it stands in.</param>
/// <param name="Method">What is measured.</param>
public sealed record Once(Type Type, MethodInfo Method)
{
    /// <summary>The parts of the table and what each measures; "server" is the running application.</summary>
    public static readonly IReadOnlyDictionary<string, Type[]> Parts = new Dictionary<string, Type[]>
    {
        ["core"] = [typeof(Resolving), typeof(Answering), typeof(Wires)],
        ["sheets"] = [typeof(Sheets), typeof(Solving)],
        ["images"] = [typeof(Images)],
        ["server"] = [],
        ["growth"] = [],
        ["pages"] = [],
    };

    /// <summary>Every benchmark of a class.</summary>
    public static IEnumerable<Once> Of(Type type) =>
        type.GetMethods().Where(m => m.GetCustomAttribute<BenchmarkAttribute>() is not null).Select(m => new Once(type, m));

    /// <summary>Its line in the table.</summary>
    public string Name => Method.GetCustomAttribute<BenchmarkAttribute>()!.Description ?? Method.Name;

    /// <summary>What it gives; whatever it throws comes through.</summary>
    public object? Run()
    {
        object on = Activator.CreateInstance(Type)!;
        foreach (MethodInfo setUp in Type.GetMethods().Where(m => m.GetCustomAttribute<GlobalSetupAttribute>() is not null))
            Invoke(setUp, on);
        return Invoke(Method, on);
    }

    static object? Invoke(MethodInfo method, object on) => method.Invoke(on, BindingFlags.DoNotWrapExceptions, null, null, null);
}
