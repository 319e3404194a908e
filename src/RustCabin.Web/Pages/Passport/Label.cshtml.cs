using System.Text;
using RustCabin.Core.Build;
using RustCabin.Data;
using RustCabin.Web.Drawings;

namespace RustCabin.Web.Pages.Passport;

/// <summary>The labels of a unit, for paper.</summary>
public sealed class LabelModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock)
    : PassportModel(sheets, jobs, clock)
{
    /// <summary>The unit's model with its board.</summary>
    public string ModelName =>
        $"{View.Model.Name} {(Now.IsBoardAssumed ? "assumed " : "")}{View.Model.FindRevision(Now.Revision.Id)?.Name}".Trim();

    /// <summary>What was changed, one thing a line.</summary>
    public IReadOnlyList<string> Changes => field ??= PassportText.Changes(View.Record);

    /// <summary>What the code holds.</summary>
    public string Code => field ??= PassportText.Code(View.Record, Today);

    /// <summary>For a label printer's roll of so many millimetres; null: all on a sheet.</summary>
    public double? Roll => LabelDrawing.Sizes.Select(s => (double?)s.Wide).FirstOrDefault(w => $"{w}" == Request.Query["roll"]);

    /// <summary>How long that is.</summary>
    public int Bytes => Encoding.UTF8.GetByteCount(Code);
}
