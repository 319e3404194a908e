using RustCabin.Core.Cupboard;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Shelf;

/// <summary>
/// The rows of the shelf. What is said of a job is kept with it, so that a cabin of thousands of units opens as fast as one of
/// six: only jobs that were changed, or whose sheets were, are planned for it.
/// </summary>
/// <param name="all">Every sheet of the cabin.</param>
/// <param name="items">What lies in the cupboard.</param>
/// <param name="now">The time.</param>
public sealed class ShelfLines(Pack all, IReadOnlyList<StockItem> items, DateTimeOffset now)
{
    static readonly PerJob<ShelfLine> Lines = new(view => ShelfLine.Of(view.At));

    readonly ILookup<string, string> _lent = Loans.All(all).ToLookup(l => l.From.Id, l => $"{l.What} (to {l.To.Name})");

    /// <summary>
    /// Works out what will be said of jobs, the last first: whoever opens the shelf meanwhile begins with the first.
    /// </summary>
    public static void Prepare(Pack sheets, IReadOnlyList<StoredJob> jobs) =>
        Parallel.ForEach(
            jobs.Where(j => !j.Job.Ended).Reverse(),
            job =>
            {
                try
                {
                    Lines.Of(sheets, job);
                }
                catch (Core.Maps.MapTooDenseException)
                {
                    // One that cannot be planned is told where it is asked for.
                }
            }
        );

    /// <summary>A unit with the job that is nearest to being worked on.</summary>
    /// <param name="unit">The unit.</param>
    /// <param name="stored">Its jobs, in the order in which they came.</param>
    public ShelfRow RowOf(Unit unit, IEnumerable<StoredJob> stored)
    {
        StoredJob[] jobs = [.. stored];
        (StoredJob Job, ShelfLine Line, OnShelf On)[] open =
        [
            .. jobs.Where(j => !j.Job.Ended)
                .Select(j => (j, Lines.Of(all, j)))
                .Select(j => (j.j, j.Item2, j.Item2.On(items, now)))
                .OrderBy(o => o.Item3.State),
        ];
        Model model = all.FindModel(unit.Model)!;
        if (unit.Retired)
            return new ShelfRow(unit, model, OnShelf.PutAway, open.FirstOrDefault().Job ?? jobs.LastOrDefault(), open.Length);
        return open is [var first, ..]
            ? new ShelfRow(unit, model, first.On, first.Job, open.Length - 1)
            {
                Now = first.Line.Now(items, [.. _lent[unit.Id]], now),
            }
            : new ShelfRow(unit, model, OnShelf.WithoutJob(jobs.Length), jobs.LastOrDefault(), 0);
    }
}
