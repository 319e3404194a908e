using RustCabin.Core.Faults;

namespace RustCabin.Web.Pages.Faults;

/// <summary>Swaps with other units of the shelf, made or still to be made.</summary>
public sealed partial class FaultsModel
{
    /// <summary>Swaps that were made here, with what they showed.</summary>
    public IEnumerable<(SwapLook Swap, string Showed)> MadeSwaps =>
        from swap in Diagnosis.Swaps
        where Seen.Looks.ContainsKey(swap.What.Id)
        select (swap, Seen.Looks[swap.What.Id]);

    /// <summary>Swaps that tell something, those that tell most a minute first, with their bits.</summary>
    public IEnumerable<(SwapLook Swap, double Bits)> OpenSwaps =>
        from swap in Diagnosis.Swaps
        let what = Diagnosis.Observables.First(o => o.Id == swap.What.Id)
        let minutes = what.Minutes ?? 0
        where minutes > 0 && !Seen.Looks.ContainsKey(what.Id)
        let bits = Diagnosis.BitsOf(what)
        where bits > Posterior.LeastBits
        orderby bits / (double)minutes descending
        select (swap, bits);

    /// <summary>How likely it is beforehand that the fault shows after a swap; none of these shows it with one half.</summary>
    public double ShowsBeforehand(SwapLook swap) =>
        Diagnosis.Other / 2
        + Diagnosis
            .Suspects.Zip(Diagnosis.ChancesOf())
            .Sum(s => s.Second * Posterior.Likelihood(s.First, swap.What, SwapLook.Shows));
}
