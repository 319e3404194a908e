using Microsoft.AspNetCore.Mvc;
using RustCabin.Core;
using RustCabin.Core.Bench;
using RustCabin.Core.Faults;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Memory;

/// <summary>What one master reaches before and after the job, and the most that is wanted for it (null: nothing).</summary>
public sealed record ReachRow(string Master, ByteSize Now, ByteSize After, ByteSize? Want)
{
    public bool FallsShort => Want > After;

    public string Wanted(Preferences taste) =>
        Want is not { } want ? "nothing"
        : FallsShort ? $"{taste.Size(want)}, short by {taste.Size(new ByteSize(want.Bytes - After.Bytes))}"
        : $"{taste.Size(want)}, met";
}

/// <summary>
/// The Memory station: the address ladder, the switches of the boards, the power-up count and each master's reach.
/// </summary>
public sealed class MemoryModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<MemoryDesk>();

    /// <summary>The ends of the range that is zoomed to, as hex; without them the whole space.</summary>
    [BindProperty(SupportsGet = true, Name = "from")]
    public string? FromText { get; set; }

    [BindProperty(SupportsGet = true, Name = "to")]
    public string? ToText { get; set; }

    [BindProperty(SupportsGet = true, Name = "as")]
    public string? ShowAs { get; set; }

    public bool AsTable => ShowAs == "table";
    public AddressRange Space => new(default, new Address(Decode.Space(View.Model.AddressBits)));

    /// <summary>The range on show; one that makes no sense shows the whole space.</summary>
    public AddressRange Shown =>
        Address.TryParse(FromText, out Address from) && Address.TryParse(ToText, out Address to) && from <= to && to <= Space.To
            ? new AddressRange(from, to)
            : Space;

    public bool IsZoomed => Shown != Space;

    public string Link(AddressRange range, bool table)
    {
        int bits = View.Model.AddressBits;
        string zoom = range == Space ? "" : $"from={range.From.ToJson(bits)}&to={range.To.ToJson(bits)}",
            view = table ? "as=table" : "";
        string query = string.Join('&', ((string[])[zoom, view]).Where(q => q.Length > 0));
        return UrlOf(Desk) + (query.Length > 0 ? $"?{query}" : "");
    }

    /// <summary>The fault that is tried, by its key; empty: none.</summary>
    [BindProperty(SupportsGet = true, Name = "fault")]
    public string? FaultKey { get; set; }

    /// <summary>A number for what differs from run to run.</summary>
    [BindProperty(SupportsGet = true, Name = "run")]
    public int Run { get; set; }

    /// <summary>The faults to choose from, once a person asks for them.</summary>
    public IReadOnlyList<BusFault> FaultOffers => _offers ??= FaultKey is null ? [] : WhatIf.Offers(Trail.Stations, View.After);

    IReadOnlyList<BusFault>? _offers;

    public WhatIfResult? Tried =>
        FaultOffers.FirstOrDefault(f => f.Key == FaultKey) is { } fault
            ? WhatIf.Run(Trail.Stations, View.After, fault with { Seed = Run })
            : null;

    public IEnumerable<ReachRow> Reach =>
        View
            .After.Map.Masters.Index()
            .Select(m => new ReachRow(
                m.Item,
                View.Before.Map.Reach[m.Index],
                View.After.Map.Reach[m.Index],
                View.Job.Wants.OfType<MemoryNeed>().Where(w => w.Master == m.Item).Select(w => (ByteSize?)w.AtLeast).Max()
            ));

    /// <summary>Parts that bring memory and have a way into this model.</summary>
    public IEnumerable<(Part Part, Way Way)> Offers =>
        from part in View.Sheets.Parts
        where part.Claims.Any(c => c.Kind == ClaimKind.Ram) || part.Sets.Count > 0
        let way = part.Ways.FirstOrDefault(w => w.Model == View.Model.Id)
        where way is not null
        select (part, way);

    /// <summary>In a few words, what a position does: the memory that it switches in, and where.</summary>
    public string Effect(Instance instance, Switch of, string position)
    {
        var claims = instance
            .Part.Claims.Where(c =>
                c.When.Names(of.Id) && c.When.Holds(key => key == of.Id ? position : instance.Positions.GetValueOrDefault(key))
            )
            .ToList();
        if (claims.Count > 0)
            return Banked(claims)
                + $"{(claims[0].Base is { } at && claims.Count == 1 ? $" at {at.ToScreen(View.Model.AddressBits)}" : "")}";
        return instance.Part.Claims.Any(c => c.When.Names(of.Id)) ? "nothing" : "";
    }

    /// <summary>How much claims bring; of a window its banks too, since positions may differ in these alone.</summary>
    string Banked(IReadOnlyList<Claim> claims)
    {
        string seen = $"{Preferences.Size(new ByteSize(claims.Aggregate(0ul, (sum, c) => sum + c.Size!.Value.Bytes)))}";
        int banks = claims.Max(c => c.Window?.Banks ?? 1);
        return banks > 1 ? $"{banks} banks of {seen}" : seen;
    }
}
