using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.Extensions.Options;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Api;
using RustCabin.Web.Drawings;
using RustCabin.Web.SignIn;
using RustCabin.Web.Stations;
using Serilog;
using Serilog.Events;

namespace RustCabin.Web;

/// <summary>
/// Builds and runs the web application. Options: <c>--data DIR</c>, <c>--demo</c> (fill an empty cabin with the sample
/// packs), <c>--backup FILE</c>, <c>--restore FILE</c>, <c>--phrase</c> and <c>--well ADDRESS</c> (<see cref="FileWork"/>),
/// <c>--urls</c>, <c>--open</c> (asks for a pass phrase when there is none), <c>--sign-in everybody</c> (this machine's
/// browsers too), <c>--patience MS</c> (how long a page waits for a search before it shows how far it is; 450), <c>--clock
/// MOMENT</c> (for tests: the day that is written down, <see cref="SetClock"/>), <c>--until input-ends</c> (it ends with
/// whoever started it), <c>--telemetry console</c> or a collector's address (<see cref="Telemetry"/>).
/// </summary>
public static class Cabin
{
    /// <summary>Exit code when the application refuses to start; the reason is on standard error.</summary>
    const int Refused = 2;

    public static async Task<int> Run(string[] args)
    {
        try
        {
            if (FileWork.Asked(Named(args)))
                return 0;
            await using WebApplication app = Build(args);
            await app.StartAsync();
            Listening.DemandBound(app.Urls, app.Services.GetRequiredService<Door>());
            Tell(app);
            if (app.Configuration["until"] == "input-ends")
                _ = EndWithInput(app.Lifetime);
            await app.WaitForShutdownAsync();
            return 0;
        }
        catch (Exception problem)
            when (problem
                    is CabinFileException
                        or IOException
                        or ListeningException
                        or UnauthorizedAccessException
                        or FormatException
                        or HttpRequestException
            )
        {
            await Console.Error.WriteLineAsync($"Rust Cabin did not start: {problem.Message}");
            return Refused;
        }
        catch (Exception problem)
        {
            // Nothing that was foreseen: where it came from helps whoever mends it.
            await Console.Error.WriteLineAsync($"Rust Cabin did not start: {problem.Message}");
            await Console.Error.WriteLineAsync($"{problem}");
            return Refused;
        }
        finally
        {
            await Log.CloseAndFlushAsync();
        }
    }

    /// <summary>Ends when whoever started it has gone, however: the other end of its input is closed then.</summary>
    static async Task EndWithInput(IHostApplicationLifetime lifetime)
    {
        while (await Console.In.ReadLineAsync() is not null)
        {
            // What is typed says nothing.
        }
        lifetime.StopApplication();
    }

    /// <summary>Where it is open, on the terminal; for other machines with a code that a phone's camera reads.</summary>
    static void Tell(WebApplication app)
    {
        string data = app.Services.GetRequiredService<CabinFile>().Path;
        IReadOnlyList<string> reached = Door.Reached(app.Urls);
        Console.WriteLine($"Rust Cabin is open at {app.Urls.First()} (data in {data}; Ctrl-C closes it)");
        if (reached.Count == 0)
            return;
        Console.WriteLine($"Other machines reach it with the pass phrase at {string.Join(", ", reached)}");
        Console.WriteLine(QrDrawing.InText(reached[0]));
    }

    public static WebApplication Build(string[] args)
    {
        args = Named(args);
        WebApplicationBuilder builder = WebApplication.CreateBuilder(
            new WebApplicationOptions
            {
                Args = args,
                ApplicationName = "RustCabin.Web",
                ContentRootPath = AppContext.BaseDirectory,
            }
        );
        // Built, not published: the manifest beside the assembly says where the static files are.
        builder.WebHost.UseStaticWebAssets();
        if (builder.Configuration["urls"] is null)
            builder.WebHost.UseUrls("http://127.0.0.1:5080");
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.AddServerHeader = false);
        builder.Host.UseSerilog(
            (_, log) =>
                log
                    .MinimumLevel.Warning()
                    .MinimumLevel.Override("RustCabin", LogEventLevel.Information)
                    .MinimumLevel.Override("Serilog.AspNetCore", LogEventLevel.Information)
                    .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", LogEventLevel.Error)
                    .MinimumLevel.Override("Microsoft.AspNetCore.Antiforgery", LogEventLevel.Error)
                    .MinimumLevel.Override("Microsoft.AspNetCore.StaticFiles", LogEventLevel.Error)
                    .WriteTo.Console(
                        standardErrorFromLevel: LogEventLevel.Verbose,
                        outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj}{NewLine}{Exception}"
                    )
        );
        string home = FileWork.Home(builder.Configuration);
        TimeProvider clock = SetClock.Of(builder.Configuration);
        var phrase = new DoorFile(home, clock);
        if (builder.Configuration["open"] == "true")
            Asking.For(phrase, another: false);
        Door door = Door.Of(builder.Configuration, phrase);
        // The file is opened and read while the pipeline is put together; what is wrong with it is said before anything listens.
        Task<Opened> opened = Task.Run(() => Opened.From(home, clock));
        builder.Services.AddSingleton(clock);
        AddServices(builder, home, opened, door);
        Telemetry.Add(builder);

        WebApplication app = builder.Build();
        UsePipeline(app, door);
        Opened cabin = opened.GetAwaiter().GetResult();
        app.Services.GetRequiredService<CabinLock>(); // held until the application is disposed of
        // Keys that cannot be read are told now, and not by the first page.
        _ = app.Services.GetRequiredService<IOptions<KeyManagementOptions>>().Value;
        if (builder.Configuration["demo"] == "true")
        {
            DemoPacks.Load(app.Services.GetRequiredService<PackImport>(), app.Services.GetRequiredService<StockRepository>());
            DemoPacks.MakeImages(cabin.Sheets, cabin.Jobs, app.Services.GetRequiredService<RomImageRepository>());
            cabin.File.Checkpoint();
        }
        return app;
    }

    /// <summary>
    /// The cabin's file with its sheets and jobs read; and what the shelf asks first, which goes on being worked out while the
    /// server gets ready to listen.
    /// </summary>
    sealed record Opened(CabinLock Lock, CabinFile File, SheetRepository Sheets, JobRepository Jobs)
    {
        public static Opened From(string home, TimeProvider clock)
        {
            CabinLock held = CabinLock.Take(home);
            Leftovers.Remove(home);
            CabinFile file = CabinFile.Open(Path.Combine(home, "cabin.db"));
            var sheets = new SheetRepository(file, clock);
            var jobs = new JobRepository(file, sheets, clock);
            Pack all = sheets.All();
            IReadOnlyList<StoredJob> stored = jobs.Stored();
            _ = Task.Run(() => Pages.Shelf.ShelfLines.Prepare(all, stored));
            return new Opened(held, file, sheets, jobs);
        }
    }

    /// <summary>Options that take no value; the configuration wants one for each name.</summary>
    static string[] Named(string[] args) => [.. args.Select(a => a is "--demo" or "--open" or "--phrase" ? $"{a}=true" : a)];

    static void AddServices(WebApplicationBuilder builder, string home, Task<Opened> opened, Door door)
    {
        builder.Services.AddSingleton(door);
        if (door.IsOpen)
            Guard.AddServices(builder.Services, door, home);
        builder.Services.AddDataProtection().SetApplicationName("rust-cabin");
        builder
            .Services.AddOptions<KeyManagementOptions>()
            .Configure<ILoggerFactory>((keys, log) => keys.XmlRepository = new FormKeys(FormKeys.Folder(home), log));
        builder.Services.AddSingleton(_ => opened.GetAwaiter().GetResult().Lock);
        builder.Services.AddSingleton<Housekeeper>();
        builder.Services.AddHostedService(services => services.GetRequiredService<Housekeeper>());
        builder.Services.AddSingleton<Backup>();
        builder.Services.AddSingleton<Pages.TheCabin.Sending>();
        builder.Services.AddSingleton<Holdings>();
        builder.Services.AddSingleton(_ => opened.GetAwaiter().GetResult().File);
        builder.Services.AddSingleton(_ => opened.GetAwaiter().GetResult().Sheets);
        builder.Services.AddSingleton(_ => opened.GetAwaiter().GetResult().Jobs);
        builder.Services.AddSingleton<PackImport>();
        builder.Services.AddSingleton<StockRepository>();
        builder.Services.AddSingleton<ShelfRepository>();
        builder.Services.AddSingleton<Pages.Rom.HeldFiles>();
        builder.Services.AddSingleton<HeavyWork>();
        builder.Services.AddSingleton<DraftRepository>();
        builder.Services.AddSingleton<PhotoRepository>();
        builder.Services.AddSingleton<SearchRepository>();
        builder.Services.AddSingleton<PackExport>();
        builder.Services.AddSingleton<RomImageRepository>();
        builder.Services.AddSingleton<RecipeRepository>();
        builder.Services.AddSingleton(services => new Pages.Wants.SearchDesk(
            services.GetRequiredService<HeavyWork>(),
            TimeSpan.FromMilliseconds(builder.Configuration.GetValue("patience", 450))
        ));
        builder.Services.AddSingleton<Pages.Rom.ChainDesk>();
        builder.Services.AddRazorPages(razor =>
        {
            razor.Conventions.ConfigureFilter(new Microsoft.AspNetCore.Mvc.AutoValidateAntiforgeryTokenAttribute());
            razor.Conventions.ConfigureFilter(new KnownPresses());
        });
        builder.Services.AddSingleton<Microsoft.AspNetCore.Mvc.Razor.IRazorPageActivator, PageActivator>();
        builder.Services.AddSingleton<Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure.PageResultExecutor, PageDrawing>();
        builder.Services.AddAntiforgery(a => a.Cookie.Name = $"cabin-forgery-{Guard.Mark(home)}");
        Token.Keep(builder.Services);
        builder.Services.AddResponseCompression(c => c.EnableForHttps = false);
        builder.Services.AddHealthChecks().AddCheck<CabinHealth>("cabin");
        builder.Services.AddProblemDetails(problems =>
            problems.CustomizeProblemDetails = told =>
            {
                if (StoreTrouble.Of(told.Exception) is { } trouble)
                    told.ProblemDetails.Detail = trouble.Words;
            }
        );
        builder.Services.AddOpenApi(Openapi.Describe);
        builder.Services.ConfigureHttpJsonOptions(json => AnswerJson.Shape(json.SerializerOptions));
        // Names of this machine only: a page elsewhere cannot rebind its own name to this address and read the cabin.
        builder.Services.Configure<Microsoft.AspNetCore.HostFiltering.HostFilteringOptions>(h =>
            h.AllowedHosts = [.. door.Hosts]
        );
    }

    /// <summary>Nothing here answers to methods that only tell what was sent.</summary>
    static Task RefuseTrace(HttpContext context, RequestDelegate next)
    {
        if (context.Request.Method is not ("TRACE" or "TRACK" or "CONNECT"))
            return next(context);
        context.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
        return Task.CompletedTask;
    }

    static void OwnThingsOnly(CspBuilder csp)
    {
        csp.AddDefaultSrc().None();
        csp.AddScriptSrc().Self();
        csp.AddStyleSrc().Self();
        csp.AddFontSrc().Self();
        csp.AddImgSrc().Self().Data(); // the arrow of a select box is a data image in the style sheet
        csp.AddConnectSrc().Self();
        csp.AddFormAction().Self();
        csp.AddBaseUri().Self();
        csp.AddFrameAncestors().None();
    }

    static void UsePipeline(WebApplication app, Door door)
    {
        Telemetry.Use(app);
        app.UseHostFiltering();
        app.Use(RefuseTrace);
        app.Use(AtOnce.Answer);
        // The interface answers with problem documents; people get a page.
        app.UseWhen(
            context => context.Request.Path.StartsWithSegments("/api"),
            api => api.UseExceptionHandler(new ExceptionHandlerOptions { StatusCodeSelector = StoreTrouble.StatusOf })
        );
        app.UseWhen(
            context => !context.Request.Path.StartsWithSegments("/api"),
            pages =>
                pages
                    .UseExceptionHandler(
                        new ExceptionHandlerOptions
                        {
                            ExceptionHandlingPath = "/oops",
                            StatusCodeSelector = StoreTrouble.StatusOf,
                        }
                    )
                    .UseStatusCodePagesWithReExecute("/oops/{0}")
        );
        app.Use(Pages.Import.ImportModel.RefuseTooLarge);
        app.Use(
            (context, next) =>
            {
                if (HttpMethods.IsGet(context.Request.Method))
                    context.RequestServices.GetRequiredService<CabinFile>().Look();
                return next(context);
            }
        );
        app.UseSecurityHeaders(
            new HeaderPolicyCollection()
                .AddFrameOptionsDeny()
                .AddContentTypeOptionsNoSniff()
                .AddReferrerPolicySameOrigin()
                .AddCrossOriginOpenerPolicy(p => p.SameOrigin())
                .AddCrossOriginResourcePolicy(p => p.SameOrigin())
                .AddContentSecurityPolicy(OwnThingsOnly)
        );
        if (door.IsOpen)
            Guard.Use(app, door);
        app.UseWhen(context => context.Request.Path.StartsWithSegments("/api"), api => api.Use(OtherPages.Refuse));
        app.UseResponseCompression();
        app.UseRouting();
        app.Use(Telemetry.Remember);
        app.UseAntiforgery();
        app.MapStaticAssets();
        app.MapRazorPages().WithStaticAssets();
        app.MapHealthChecks("/health");
        app.MapOpenApi("/openapi/{documentName}.json");
        Pages.Import.Export.Map(app);
        CheckCall.Map(app);
        Pages.Paste.PasteCalls.Map(app);
        foreach (Desk desk in Desks.Trail)
            desk.Map(app);
    }
}
