using System.Reflection;
using CsCheck;
using RustCabin.Core.Planning;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Sheets;

/// <summary>No two things share the name of a step, whatever they are called; and each act knows its way back.</summary>
public sealed class StepIdTests
{
    static readonly string[] Grammar =
    [
        "firmware",
        "removed",
        "rom",
        "rom-os",
        "os",
        "wiring",
        "part",
        "a",
        "a-b",
        "b",
        "b-c",
        "c",
        "1",
        "close",
        "change-1",
        "count",
        "untouched",
    ];

    static readonly Gen<string> Words = Gen.Int[0, Grammar.Length - 1].Select(i => Grammar[i]);

    /// <summary>A step of something: what it is of, and its name.</summary>
    static readonly Gen<(string Of, StepId Step)> Steps = Gen.Select(Words, Words, Gen.Int[1, 3], Gen.Int[0, 18])
        .Select(
            (one, other, number, act) =>
                act switch
                {
                    0 => ($"set {one}", Acts.Set(InstanceName.Parse(one))),
                    1 => ($"fit {one}", Acts.Fit(InstanceName.Parse(one))),
                    2 => ($"count {one}", Acts.Count(InstanceName.Parse(one))),
                    3 => ($"remove {one}", Acts.Remove(InstanceName.Parse(one))),
                    4 => ($"fit the device of {one}", Acts.FitRom(one)),
                    5 => ($"count the device of {one}", Acts.CountRom(one)),
                    6 => ("count the firmware", Acts.CountFirmware),
                    7 => ("count without what was removed", Acts.CountRemoved),
                    8 => ($"prove {other} of {one}", Acts.Prove(InstanceName.Parse(one), other)),
                    9 => ($"change {number} of {one}", Acts.Change(InstanceName.Parse(one), number)),
                    10 => ($"driver {number} of {one}", Acts.Driver(InstanceName.Parse(one), number)),
                    11 => ($"close {one}", Acts.Close(one)),
                    12 => ("close", Acts.CloseUp),
                    13 => ($"open {one}", Acts.Open(one)),
                    14 => ($"proof {one}", RomActs.Proof(one)),
                    15 => ($"wire {one}", RomActs.Wire(one)),
                    16 => ("probe", WiringActs.ProbeWiring),
                    17 => ($"cables {one}", WiringActs.Cables(one)),
                    _ => ("untouched", Acts.Untouched),
                }
        );

    [Fact]
    public void No_two_things_have_one_name_and_each_reads_back() =>
        Gen.Select(Steps, Steps)
            .Sample(
                (one, other) =>
                {
                    Assert.Equal(one.Of == other.Of, $"{one.Step}" == $"{other.Step}");
                    Assert.Equal(one.Step, StepId.Parse($"{one.Step}"));
                },
                iter: 100_000
            );

    [Fact]
    public void What_an_earlier_version_ticked_still_counts_and_can_be_taken_back()
    {
        StepId now = Acts.Prove(InstanceName.Parse("quiver-late"), "lift-81");
        Assert.Equal("prove-quiver-late.lift-81", $"{now}");
        Assert.Equal("prove-lapwing-change-1", $"{Acts.Prove(InstanceName.Parse("lapwing"), "change-1")}");
        var job = new Job { Done = [StepId.Parse("prove-quiver-late-lift-81")] };
        Assert.True(now.IsIn(job.Done));
        Assert.Empty(JobEdits.Tick(job, now, false).Done);
        Assert.Equal([now], JobEdits.Tick(job, now, true).Done);
        Assert.True(new HeededCaution(now, "hot").IsIn([new HeededCaution(StepId.Parse("prove-quiver-late-lift-81"), "hot")]));
    }

    /// <summary>Ticks, cautions, readings and minutes that the demo's packs carry are found on their sheets.</summary>
    [Fact]
    public void What_a_pack_carries_is_found_again()
    {
        int found = 0;
        foreach ((Pack pack, Job job) in Demo.Jobs.Where(j => j.Job.Done.Count > 0))
        {
            Core.Presses.AtHand at = Core.Presses.AtHand.Of(Trail.Stations, pack, job);
            StepId[] steps = [.. at.Sheet.Steps.Select(s => s.Id)];
            Assert.All(job.Done, d => Assert.Contains(d, steps));
            Assert.All(job.Heeded, h => Assert.Contains(h.Step, steps));
            Assert.All(job.Readings, r => Assert.Contains(r.Gate, steps));
            Assert.All(job.Took.Keys, t => Assert.Contains(StepId.Parse(t), steps));
            found += job.Done.Count + job.Heeded.Count + job.Readings.Count;
        }
        Assert.True(found > 20);
    }

    /// <summary>An act that is added without its way back, or the word that it has none, fails here.</summary>
    static readonly Dictionary<Type, object> Samples = new()
    {
        [typeof(int)] = 1,
        [typeof(StepId)] = StepId.None,
        [typeof(InstanceName)] = InstanceName.Parse("x"),
        [typeof(HandMend)] = new HandMend(),
    };

    [Fact]
    public void Each_act_has_its_way_back_or_says_that_there_is_none()
    {
        object?[] Any(MethodInfo method) =>
            [.. method.GetParameters().Select(p => Samples.GetValueOrDefault(p.ParameterType, "x"))];
        string[] acts =
        [
            .. typeof(Acts)
                .Assembly.GetTypes()
                .Where(t => !t.ContainsGenericParameters)
                .SelectMany(t =>
                    t.GetFields(BindingFlags.Public | BindingFlags.Static)
                        .Where(f => f.FieldType == typeof(StepId) && t != typeof(StepId))
                        .Select(f => f.GetValue(null))
                        .Concat(
                            t.GetMethods(BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static)
                                .Where(m =>
                                    m.ReturnType == typeof(StepId)
                                    && !m.IsSpecialName
                                    && t != typeof(StepId)
                                    && m.Name.All(char.IsLetter)
                                    && m.GetParameters() is [{ ParameterType: var of }, ..]
                                    && (
                                        of == typeof(string)
                                        || of == typeof(InstanceName)
                                        || of == typeof(StepId)
                                        || of == typeof(HandMend)
                                    )
                                )
                                .Select(m => m.Invoke(null, Any(m)))
                        )
                )
                .OfType<StepId>()
                .Select(s => s.Act)
                .Distinct(),
        ];
        Assert.True(acts.Length > 20);
        Assert.Equal(acts.Order(), Trail.Stations.SelectMany(t => t.OwnActs).Select(a => a.Word).Order());
    }
}
