using RustCabin.Core.Build;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Passport;

/// <summary>How a unit is used as it stands, for paper. Source: docs/handbook/passport.md, Operating card.</summary>
public sealed class CardModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock) : PassportModel(sheets, jobs, clock)
{
    /// <summary>Its lines.</summary>
    public IReadOnlyList<CardLine> Uses => field ??= OperatingCard.Of(Now);
}
