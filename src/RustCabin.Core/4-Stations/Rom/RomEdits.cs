using RustCabin.Core.Images;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>
/// What a job plans for its ROM sockets, as typed changes of its record. A plan is named by its site; null: none is planned
/// there.
/// </summary>
public static class RomEdits
{
    /// <summary>
    /// Puts a device into a socket; one that is planned there keeps its image and operations, and loses its ties.
    /// </summary>
    public static Job Device(Job job, string site, string device, int? ns)
    {
        RomPlan? there = job.Roms.FirstOrDefault(r => r.Site == site);
        RomPlan plan = there ?? new RomPlan { Site = site, Device = device };
        if (plan.Device != device)
            plan = plan with { Ties = new Dictionary<string, string>(), Erasures = 0 };
        plan = plan with { Device = device, Ns = ns };
        return job with { Roms = there is null ? [.. job.Roms, plan] : [.. job.Roms.Select(r => r.Site == site ? plan : r)] };
    }

    /// <summary>Takes the plan for a socket back.</summary>
    public static Job Drop(Job job, string site) => job with { Roms = [.. job.Roms.Where(r => r.Site != site)] };

    /// <summary>
    /// Takes images by their numbers, the plan's own first. Several are put one behind the other by the last operation, unless
    /// one joins them already.
    /// </summary>
    /// <param name="job">The job.</param>
    /// <param name="site">The socket.</param>
    /// <param name="images">Their numbers; at least one.</param>
    /// <param name="bytes">Of all of them together.</param>
    public static Job? Images(Job job, string site, IReadOnlyList<string> images, int bytes) =>
        With(
            job,
            site,
            plan =>
            {
                RomOp? concat = plan.Ops.LastOrDefault(o => o is Concat);
                IReadOnlyList<RomOp> ops = plan.Ops;
                if (images.Count > 1 && concat is null && !ops.Any(o => o is Join))
                    ops = [.. ops, new Concat()];
                else if (images.Count == 1 && concat is not null)
                    ops = [.. ops.Where(o => !ReferenceEquals(o, concat))];
                return plan with { Image = images[0], Bytes = bytes, Further = [.. images.Skip(1)], Ops = ops };
            }
        );

    /// <summary>Puts a whole chain in the place of the one that is there.</summary>
    public static Job? Ops(Job job, string site, IReadOnlyList<RomOp> ops) => With(job, site, plan => plan with { Ops = ops });

    /// <summary>The words of the label; null: the usual ones.</summary>
    public static Job? Label(Job job, string site, string? label) => With(job, site, plan => plan with { Label = label });

    /// <summary>The eraser's lamp is on.</summary>
    public static Job? LampOn(Job job, string site, Erasure erasure) => With(job, site, plan => plan with { Erasing = erasure });

    /// <summary>The lamp is off; an erasure that was gone through with counts.</summary>
    public static Job? LampOff(Job job, string site, bool through) =>
        With(job, site, plan => plan with { Erasing = null, Erasures = plan.Erasures + (through ? 1 : 0) });

    /// <summary>The window is covered and labelled, or is not after all: the step of the build sheet says so, and nothing
    /// else.</summary>
    public static Job? Covered(Job job, string site, bool covered) =>
        With(job, site, plan => plan with { Burns = [.. plan.Burns.Select(b => b with { Covered = false })] }) is { } known
            ? JobEdits.Tick(known, RomActs.Cover(site), covered)
            : null;

    /// <summary>Ties a line that the socket lacks.</summary>
    public static Job? Tie(Job job, string site, string net, string to) =>
        With(job, site, plan => plan with { Ties = JobEdits.Put(plan.Ties, net, to) });

    /// <summary>Puts an operation at the end of the chain.</summary>
    public static Job? AddOp(Job job, string site, RomOp op) => With(job, site, plan => plan with { Ops = [.. plan.Ops, op] });

    /// <summary>Takes out the operation at a place of the chain.</summary>
    public static Job? DropOp(Job job, string site, int index) =>
        With(job, site, plan => plan with { Ops = [.. plan.Ops.Where((_, i) => i != index)] });

    /// <summary>Moves an operation one place forward in the chain.</summary>
    public static Job? RaiseOp(Job job, string site, int index) =>
        With(
            job,
            site,
            plan =>
            {
                if (index < 1 || index >= plan.Ops.Count)
                    return plan;
                List<RomOp> ops = [.. plan.Ops];
                (ops[index - 1], ops[index]) = (ops[index], ops[index - 1]);
                return plan with { Ops = ops };
            }
        );

    /// <summary>Notes a simulated read-back.</summary>
    public static Job? Proved(Job job, string site, ProofNote proof) => With(job, site, plan => plan with { Proof = proof });

    /// <summary>
    /// Notes a device that was burnt. One that passed ticks its step; its window is not covered yet, and it is not in the socket.
    /// </summary>
    public static Job? Burnt(Job job, string site, BurnNote burn) =>
        With(job, site, plan => plan with { Burns = [.. plan.Burns, burn] }) is not { } noted ? null
        : burn.Passed ? JobEdits.Tick(JobEdits.Tick(noted, RomActs.Burn(site), true), RomActs.Cover(site), false)
        : noted;

    static Job? With(Job job, string site, Func<RomPlan, RomPlan> change) =>
        job.Roms.All(r => r.Site != site) ? null : job with { Roms = [.. job.Roms.Select(r => r.Site == site ? change(r) : r)] };
}
