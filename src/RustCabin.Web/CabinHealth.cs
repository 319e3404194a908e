using Microsoft.Extensions.Diagnostics.HealthChecks;
using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>Healthy when the sheets can be read.</summary>
sealed class CabinHealth(SheetRepository sheets) : IHealthCheck
{
    public Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default) =>
        Task.FromResult(HealthCheckResult.Healthy($"{sheets.All().Models.Count} models"));
}
