using System.Reflection;

namespace RustCabin.Core.Tests;

/// <summary>What a type leans on, read from what the compiler made of it.</summary>
static class TypeUses
{
    public static IEnumerable<Type> Of(Type type)
    {
        IEnumerable<Type> held =
        [
            .. type.BaseType is { } above ? [above] : Type.EmptyTypes,
            .. type.GetInterfaces(),
            .. type.GetFields(Instructions.Declared).Select(f => f.FieldType),
            .. type.GetMethods(Instructions.Declared)
                .SelectMany(m => m.GetParameters().Select(p => p.ParameterType).Append(m.ReturnType)),
            .. type.GetConstructors(Instructions.Declared).SelectMany(m => m.GetParameters().Select(p => p.ParameterType)),
            .. type.GetMethods(Instructions.Declared)
                .Cast<MethodBase>()
                .Concat(type.GetConstructors(Instructions.Declared))
                .SelectMany(Touched),
        ];
        return held.SelectMany(Parts).Distinct();
    }

    static IEnumerable<Type> Parts(Type type) =>
        type.HasElementType ? Parts(type.GetElementType()!)
        : type.IsGenericType ? type.GetGenericArguments().SelectMany(Parts).Append(type.GetGenericTypeDefinition())
        : [type];

    /// <summary>The types whose members a body calls, reads or makes.</summary>
    static IEnumerable<Type> Touched(MethodBase method) => Instructions.Of(method).SelectMany(i => Named(i.Named));

    static IEnumerable<Type> Named(MemberInfo? named)
    {
        if (named is Type type)
            yield return type;
        if (named?.DeclaringType is { } owner)
            yield return owner;
        if (named is MethodInfo { IsGenericMethod: true } generic)
            foreach (Type argument in generic.GetGenericArguments())
                yield return argument;
    }
}
