using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
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
        routes
            .MapGet(
                "/jobs/{job}/paper.css",
                (string job, SheetRepository sheets, JobRepository jobs, TimeProvider clock) =>
                    jobs.Find(job) is { } stored
                        ? Results.Text(
                            Paper($"{sheets.All().FindUnit(stored.Job.Unit)?.Name}: {stored.Job.Name}", clock.GetUtcNow()),
                            "text/css"
                        )
                        : Results.NotFound()
            )
            .ExcludeFromDescription();
    }

    /// <summary>What every sheet of paper of a job bears in its margin: unit, job and day.</summary>
    static string Paper(string title, DateTimeOffset now) =>
        string.Create(
            System.Globalization.CultureInfo.InvariantCulture,
            $"@page {{ margin: 16mm 12mm; font: 10px Overpass, sans-serif; @top-left {{ content: \"{InCss(title)}\" }} "
                + $"@top-right {{ content: \"{now:yyyy-MM-dd}\" }} "
                + $"@bottom-right {{ content: \"page \" counter(page) \" of \" counter(pages) }} }}"
        );

    /// <summary>Words as a text of CSS: each letter that is no plain one by its number, so that no name ends the text.</summary>
    static string InCss(string text) =>
        string.Concat(
            text.EnumerateRunes()
                .Select(r => r.IsAscii && (Rune.IsLetterOrDigit(r) || r.Value == ' ') ? $"{r}" : $"\\{r.Value:x6} ")
        );

    static readonly JsonSerializerOptions Readable = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>A pack without what was paid and where things lie.</summary>
    public static byte[] HandOver(byte[] pack)
    {
        JsonNode root = JsonNode.Parse(pack)!;
        foreach (JsonObject part in Each(root["parts"]))
            part.Remove("price");
        // A job that is ended holds the unit as it was before it.
        foreach (JsonObject unit in Each(root["units"]).Concat(Each(root["jobs"]).Select(j => j["was"]).OfType<JsonObject>()))
        {
            unit.Remove("worth");
            foreach (JsonObject belonging in Each(unit["belongings"]))
                belonging.Remove("place");
        }
        foreach (JsonObject job in Each(root["jobs"]))
        {
            (job["limits"] as JsonObject)?.Remove("budget");
            (job["build"] as JsonObject)?.Remove("spent");
        }
        return Encoding.UTF8.GetBytes(root.ToJsonString(Readable));
    }

    static IEnumerable<JsonObject> Each(JsonNode? list) => (list as JsonArray ?? []).OfType<JsonObject>();

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
