using System.Runtime.CompilerServices;
using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Data;

namespace RustCabin.Web.Stations;

/// <summary>Everything that the pages of one job show, computed once for a request: the job at hand, and its place in the
/// cabin's file.</summary>
public sealed record JobView(StoredJob Stored, AtHand At)
{
    public Pack Sheets => At.Sheets;
    public Job Job => Stored.Job;
    public PlannedUnit Before => At.Before;
    public PlannedUnit After => At.After;
    public Answer Answer => At.Answer;
    public BuildSheet Sheet => At.Sheet;
    public Progress Progress => At.Progress;
    public Model Model => At.Model;
    public Unit Unit => At.Unit;
    public PassportAsked Record => At.Record;
    public bool Doubtful => At.Doubtful;
    public string Board => At.Board;
    public string WaitsFor => At.WaitsFor;

    /// <summary>
    /// Jobs at hand by their record, kept as long as that is: the same sheets and the same job give the same.
    /// </summary>
    static readonly ConditionalWeakTable<Job, AtHand> Known = [];

    public static JobView Of(Pack sheets, StoredJob stored)
    {
        if (Known.TryGetValue(stored.Job, out AtHand? known) && ReferenceEquals(known.Sheets, sheets))
            return new JobView(stored, known);
        AtHand at = AtHand.Of(Trail.Stations, sheets, stored.Job);
        Known.AddOrUpdate(stored.Job, at);
        return new JobView(stored, at);
    }
}
