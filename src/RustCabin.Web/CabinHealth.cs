using Microsoft.Extensions.Diagnostics.HealthChecks;
using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>Healthy when the sheets can be read, the file is sound, and its folder can be written with room left.</summary>
sealed class CabinHealth(SheetRepository sheets, CabinFile file, Housekeeper keeper) : IHealthCheck
{
    /// <summary>Bytes below which the disk is told as full.</summary>
    public const long Room = 32_000_000;

    public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        string home = Path.GetDirectoryName(file.Path)!;
        string? wrong = Wrong(home);
        return Task.FromResult(
            wrong is null ? HealthCheckResult.Healthy($"{sheets.All().Models.Count} models") : HealthCheckResult.Unhealthy(wrong)
        );
    }

    /// <summary>What keeps the cabin from working, the worst first; null: nothing does.</summary>
    string? Wrong(string home)
    {
        if ((keeper.Damage ?? file.Lacks()) is { } damage)
            return $"{file.Path} is damaged: {damage}";
        if (!CanWrite(home))
            return $"{home} cannot be written";
        if (new DriveInfo(home).AvailableFreeSpace < Room)
            return $"the disk of {home} is full";
        return CanWrite(Path.Combine(home, "keys")) ? null : "the keys of the forms cannot be written";
    }

    static bool CanWrite(string folder)
    {
        try
        {
            using var probe = new FileStream(
                Path.Combine(folder, $".probe-{Guid.NewGuid():n}"),
                FileMode.CreateNew,
                FileAccess.Write,
                FileShare.None,
                1,
                FileOptions.DeleteOnClose
            );
            return true;
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            return false;
        }
    }
}
