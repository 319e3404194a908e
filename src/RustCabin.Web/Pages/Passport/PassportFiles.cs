using System.Text;
using System.Text.Json.Nodes;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using RustCabin.Core.Build;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Passport;

/// <summary>
/// What goes out with a unit: <c>GET /export/handover/{unit}</c>, its pack without prices and places, and <c>GET
/// /jobs/{job}/reminders.ics</c>.
/// </summary>
static class PassportFiles
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes
            .MapGet(
                "/export/handover/{unit}",
                (string unit, PackExport export) =>
                    export.OfUnit(unit) is { } pack
                        ? Results.File(HandOver(pack), "application/json", $"{unit}.handover.pack.json")
                        : Results.NotFound()
            )
            .ExcludeFromDescription();
        routes
            .MapGet(
                "/jobs/{job}/reminders.ics",
                (string job, SheetRepository sheets, JobRepository jobs, TimeProvider clock) =>
                    jobs.Find(job) is { } stored
                        ? Results.File(
                            Encoding.UTF8.GetBytes(Calendar(JobView.Of(sheets.All(), stored), clock.GetUtcNow())),
                            "text/calendar",
                            $"{job}.ics"
                        )
                        : Results.NotFound()
            )
            .ExcludeFromDescription();
    }

    /// <summary>Fields that a buyer is not told: what was paid, and where things lie.</summary>
    static readonly string[] Private = ["price", "budget", "place", "spent", "worth", "boardPrice", "postage", "sold"];

    /// <summary>A pack without what is nobody else's business.</summary>
    public static byte[] HandOver(byte[] pack)
    {
        JsonNode root = JsonNode.Parse(pack)!;
        Strip(root);
        return Encoding.UTF8.GetBytes(
            root.ToJsonString(
                new() { WriteIndented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping }
            )
        );
    }

    static void Strip(JsonNode? node)
    {
        if (node is JsonArray list)
            foreach (JsonNode? item in list)
                Strip(item);
        if (node is not JsonObject map)
            return;
        foreach (string gone in Private)
            map.Remove(gone);
        foreach ((string _, JsonNode? value) in map.ToList())
            Strip(value);
    }

    static string Calendar(JobView view, DateTimeOffset now)
    {
        var calendar = new Calendar { ProductId = "-//Rust Cabin//EN" };
        foreach (Reminder reminder in Reminders.Of(view.Record, DateOnly.FromDateTime(now.UtcDateTime)))
        {
            var day = new CalendarEvent
            {
                Uid = $"{view.Unit.Id}-{reminder.Id}@rust-cabin",
                Summary = reminder.What,
                Description = reminder.Why,
                Start = new CalDateTime(reminder.On),
                DtStamp = new CalDateTime(now.UtcDateTime, "UTC"),
            };
            if (reminder.EveryMonths > 0)
                day.RecurrenceRule = new RecurrenceRule(FrequencyType.Monthly, reminder.EveryMonths);
            calendar.Events.Add(day);
        }
        return new CalendarSerializer().SerializeToString(calendar)!;
    }
}
