using System.Reflection;
using System.Reflection.Emit;

namespace RustCabin.Tests.Shared;

/// <summary>What a method does, step by step, as the compiler wrote it (ECMA-335, III, 1.9).</summary>
public static class Instructions
{
    /// <summary>Whatever a type declares itself, whoever may see it.</summary>
    public const BindingFlags Declared =
        BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static | BindingFlags.Instance | BindingFlags.DeclaredOnly;

    static readonly Dictionary<short, OpCode> Codes = typeof(OpCodes)
        .GetFields(BindingFlags.Public | BindingFlags.Static)
        .Select(f => (OpCode)f.GetValue(null)!)
        .ToDictionary(code => code.Value);

    /// <summary>Each instruction of a method, with the member that it names, where it names one.</summary>
    public static IEnumerable<(OpCode Code, MemberInfo? Named)> Of(MethodBase method)
    {
        Type[] ofType = method.DeclaringType is { IsGenericType: true } declaring ? declaring.GetGenericArguments() : [];
        Type[] ofMethod = method.IsGenericMethod ? method.GetGenericArguments() : [];
        byte[] body = method.GetMethodBody()?.GetILAsByteArray() ?? [];
        for (var at = 0; at < body.Length; )
        {
            OpCode code = Codes[body[at] == 0xFE ? (short)(0xFE00 | body[at + 1]) : body[at]];
            at += code.Size;
            MemberInfo? named = code.OperandType
                is OperandType.InlineMethod
                    or OperandType.InlineField
                    or OperandType.InlineType
                    or OperandType.InlineTok
                ? method.Module.ResolveMember(BitConverter.ToInt32(body, at), ofType, ofMethod)
                : null;
            yield return (code, named);
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
}
