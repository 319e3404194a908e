using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;
using Serilog;

namespace RustCabin.Web;

/// <summary> What the application tells of its work, off until it is asked for: <c>--telemetry console</c>, or the address of
/// a collector (<c>--telemetry http://127.0.0.1:4317</c>). Requests are logged line by line with it. No query, no body and no
/// name of a job is told: only routes. Source: docs/security.md, What is told of its work.
/// </summary>
static class Telemetry
{
    const string Console = "console";

    /// <summary>What of a request names units, jobs, questions or people.</summary>
    static readonly string[] Names = ["url.path", "url.query", "user_agent.original", "client.address"];

    /// <summary>What was asked for; null: nothing.</summary>
    /// <exception cref="FormatException">It is neither the console nor an address.</exception>
    static string? Asked(IConfiguration settings) =>
        settings["telemetry"] switch
        {
            null or "" or "off" => null,
            Console => Console,
            { } address when Uri.TryCreate(address, UriKind.Absolute, out Uri? to) && to.Scheme is "http" or "https" => address,
            { } other => throw new FormatException($"\"{other}\" is neither console nor the address of a collector."),
        };

    public static void Add(WebApplicationBuilder builder)
    {
        if (Asked(builder.Configuration) is not { } to)
            return;
        builder
            .Services.AddOpenTelemetry()
            .ConfigureResource(about =>
                about.AddService("rust-cabin", serviceVersion: typeof(Telemetry).Assembly.GetName().Version?.ToString(3))
            )
            .WithMetrics(metrics =>
            {
                metrics.AddAspNetCoreInstrumentation().AddMeter("Microsoft.AspNetCore.Server.Kestrel", "System.Runtime");
                if (to == Console)
                    metrics.AddConsoleExporter();
                else
                    metrics.AddOtlpExporter(otlp => otlp.Endpoint = new Uri(to));
            })
            .WithTracing(traces =>
            {
                traces.AddAspNetCoreInstrumentation(asked =>
                    asked.EnrichWithHttpResponse = (activity, _) =>
                    {
                        foreach (string told in Names)
                            activity.SetTag(told, null);
                    }
                );
                if (to == Console)
                    traces.AddConsoleExporter();
                else
                    traces.AddOtlpExporter(otlp => otlp.Endpoint = new Uri(to));
            });
    }

    /// <summary>
    /// Keeps what was asked for, since a page that says why it is not there takes its place. Stands behind the routing.
    /// </summary>
    public static Task Remember(HttpContext context, RequestDelegate next)
    {
        context.Items.TryAdd(typeof(Telemetry), context.GetEndpoint());
        return next(context);
    }

    /// <summary>Logs each request: method, route, status, milliseconds.</summary>
    public static void Use(WebApplication app)
    {
        if (Asked(app.Configuration) is not null)
            app.UseSerilogRequestLogging(log =>
            {
                log.MessageTemplate = "{RequestMethod} {Route} {StatusCode} in {Elapsed:0.0} ms";
                log.EnrichDiagnosticContext = (told, context) =>
                    told.Set("Route", (context.Items[typeof(Telemetry)] as RouteEndpoint)?.RoutePattern.RawText ?? "no page");
            });
    }
}
