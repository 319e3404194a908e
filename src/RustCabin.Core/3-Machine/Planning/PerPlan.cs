using System.Runtime.CompilerServices;

namespace RustCabin.Core.Planning;

/// <summary>
/// What is worked out of a planned unit and kept with it as long as the plan is used: a plan never changes, so that each answer
/// about it is worked out once.
/// </summary>
/// <param name="work">Works it out; nothing but the plan goes into it.</param>
public sealed class PerPlan<T>(Func<PlannedUnit, T> work)
    where T : class
{
    readonly ConditionalWeakTable<PlannedUnit, T> _known = [];

    /// <summary>What there is of a plan.</summary>
    public T Of(PlannedUnit plan) => _known.GetValue(plan, p => work(p));
}
