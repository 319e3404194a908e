using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Memory;

/// <summary>How much memory a job is after.</summary>
public static class MemoryTarget
{
    /// <summary>The most that it wants for the first master; what is counted now where it wants none.</summary>
    public static ByteSize Of(PlannedUnit unit, PowerUpCount now) =>
        (unit.Job?.Wants ?? [])
            .OfType<MemoryNeed>()
            .Where(w => w.Master == unit.Model.Masters[0])
            .Select(w => w.AtLeast)
            .DefaultIfEmpty(now.Total)
            .Max();
}
