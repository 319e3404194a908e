using System.Reflection;
using System.Reflection.Emit;

namespace RustCabin.Core.Tests;

/// <summary>What a type leans on, read from what the compiler made of it.</summary>
static class TypeUses
{
    const BindingFlags All =
        BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static | BindingFlags.Instance | BindingFlags.DeclaredOnly;

    static readonly Dictionary<short, OpCode> Codes = typeof(OpCodes)
        .GetFields(BindingFlags.Public | BindingFlags.Static)
        .Select(f => (OpCode)f.GetValue(null)!)
        .ToDictionary(code => code.Value);

    public static IEnumerable<Type> Of(Type type)
    {
        IEnumerable<Type> held =
        [
            .. type.BaseType is { } above ? [above] : Type.EmptyTypes,
            .. type.GetInterfaces(),
            .. type.GetFields(All).Select(f => f.FieldType),
            .. type.GetMethods(All).SelectMany(m => m.GetParameters().Select(p => p.ParameterType).Append(m.ReturnType)),
            .. type.GetConstructors(All).SelectMany(m => m.GetParameters().Select(p => p.ParameterType)),
            .. type.GetMethods(All).Cast<MethodBase>().Concat(type.GetConstructors(All)).SelectMany(Touched),
        ];
        return held.SelectMany(Parts).Distinct();
    }

    static IEnumerable<Type> Parts(Type type) =>
        type.HasElementType ? Parts(type.GetElementType()!)
        : type.IsGenericType ? type.GetGenericArguments().SelectMany(Parts).Append(type.GetGenericTypeDefinition())
        : [type];

    /// <summary>The types whose members a body calls, reads or makes.</summary>
    static IEnumerable<Type> Touched(MethodBase method)
    {
        byte[] body = method.GetMethodBody()?.GetILAsByteArray() ?? [];
        for (var at = 0; at < body.Length; )
        {
            short value = body[at] == 0xFE ? (short)(0xFE00 | body[at + 1]) : body[at];
            OpCode code = Codes[value];
            at += code.Size;
            if (
                code.OperandType
                is OperandType.InlineMethod
                    or OperandType.InlineField
                    or OperandType.InlineType
                    or OperandType.InlineTok
            )
                foreach (Type type in Named(method, BitConverter.ToInt32(body, at)))
                    yield return type;
            at += code.OperandType switch
            {
                OperandType.InlineNone => 0,
                OperandType.ShortInlineBrTarget or OperandType.ShortInlineI or OperandType.ShortInlineVar => 1,
                OperandType.InlineVar => 2,
                OperandType.InlineI8 or OperandType.InlineR => 8,
                OperandType.InlineSwitch => 4 + 4 * BitConverter.ToInt32(body, at),
                _ => 4,
            };
        }
    }

    static IEnumerable<Type> Named(MethodBase method, int token)
    {
        Type[] ofType = method.DeclaringType is { IsGenericType: true } declaring ? declaring.GetGenericArguments() : [];
        Type[] ofMethod = method.IsGenericMethod ? method.GetGenericArguments() : [];
        MemberInfo? named = method.Module.ResolveMember(token, ofType, ofMethod);
        if (named is Type type)
            yield return type;
        if (named?.DeclaringType is { } owner)
            yield return owner;
        if (named is MethodInfo { IsGenericMethod: true } generic)
            foreach (Type argument in generic.GetGenericArguments())
                yield return argument;
    }
}
