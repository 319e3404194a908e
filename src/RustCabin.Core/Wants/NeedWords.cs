using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wants;

/// <summary>A want or a need in the words of the trade, without what there is.</summary>
public static class NeedWords
{
    public static string Of(Need need, PlannedUnit? unit = null) =>
        need.Kind switch
        {
            NeedKind.Memory =>
                $"{need.AtLeast} that {need.What} reaches{(need.FreeAfterLoad ? ", free once the system has loaded" : "")}",
            NeedKind.Firmware => $"firmware {need.What} or later",
            NeedKind.Can => $"firmware that can {IdText.Plain(need.What)}",
            NeedKind.Signal => $"the signal {need.What}",
            NeedKind.Part => $"{need.What} fitted",
            NeedKind.Rail => $"a rail of {need.What} V",
            NeedKind.Free => $"{need.What} left free",
            NeedKind.Region => $"a {need.What} machine",
            NeedKind.Provides => IdText.Plain(need.What),
            NeedKind.Speed => $"a processor {need.Factor:0.##} times as fast",
            NeedKind.Storage => $"{need.AtLeast} of storage",
            _ => $"{unit?.Titles.FirstOrDefault(t => t.Id == need.What)?.Name ?? need.What} running",
        };
}
