using System.Collections.Concurrent;
using RustCabin.Core.Answers;

namespace RustCabin.Core.Tests;

/// <summary>What findings each test saw, answer by answer, so that the catalogue can be held against them.</summary>
static class Evidence
{
    static readonly ConcurrentDictionary<string, ConcurrentBag<string[]>> Seen = new();

    /// <summary>Keeps the codes of an answer under the test that asked for it.</summary>
    public static Answer Keep(Answer answer)
    {
        if (TestContext.Current.TestMethod is { } method)
            Seen.GetOrAdd($"{method.TestClass.TestClassName}.{method.MethodName}", _ => [])
                .Add([.. answer.Findings.Select(f => f.Code).Distinct()]);
        return answer;
    }

    /// <summary>How many tests have seen an answer.</summary>
    public static int Tests => Seen.Count;

    /// <summary>A test that saw it raised.</summary>
    public static bool IsRaised(string code) => Seen.Values.Any(answers => answers.Any(a => a.Contains(code)));

    /// <summary>A test that saw it raised in one answer, and in its next not: held back by what the two differ in.</summary>
    public static bool IsHeldBack(string code) => Seen.Values.Any(answers => IsBoth(code, answers));

    /// <summary>True where some of the answers have the code and some do not.</summary>
    public static bool IsBoth(string code, IReadOnlyCollection<string[]> answers) =>
        answers.Any(a => a.Contains(code)) && answers.Any(a => !a.Contains(code));
}
