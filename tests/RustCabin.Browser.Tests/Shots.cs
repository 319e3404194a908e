using OpenQA.Selenium;

namespace RustCabin.Browser.Tests;

/// <summary>Takes the pictures of docs/screenshots from the demo data. Runs only when asked for, by ./cabin shots.</summary>
public sealed class Shots
{
    [Fact(Explicit = true)]
    [Trait("Category", "Shots")]
    public void Of_each_main_view()
    {
        string folder = Path.GetFullPath(Environment.GetEnvironmentVariable("CABIN_SHOTS") ?? "docs/screenshots");
        Directory.CreateDirectory(folder);
        foreach (string old in Directory.EnumerateFiles(folder, "*.png"))
            File.Delete(old);
        using (var bench = new Bench())
        {
            Take(bench, folder, "shelf", "/");
            Take(bench, folder, "identify", "/jobs/dunnock-lamp-voice/identify");
            Take(bench, folder, "baseline", "/jobs/winch-16c-more/baseline");
            Take(bench, folder, "editor", "/sheets/models/brindle-16");
            Take(bench, folder, "cupboard", "/cupboard");
            Take(bench, folder, "wants", "/jobs/granary-ledger-sing/wants?seek=true");
            Take(bench, folder, "fit", "/jobs/watch-porthole-sprint/fit");
            Take(bench, folder, "rom", "/jobs/slip-2-system/rom");
            Take(bench, folder, "wiring", "/jobs/jetty-disc-direct/wiring?at=2");
            Take(bench, folder, "speed", "/jobs/gable-keep-render/speed");
            Take(bench, folder, "memory", "/jobs/slip-3-winter/memory");
            Take(bench, folder, "storage", "/jobs/chandlery-colour-card/storage");
            Take(bench, folder, "bench", "/jobs/slip-7-picture/bench");
            Take(bench, folder, "faults", "/jobs/slip-4-dark/faults");
            Take(bench, folder, "picture-sound", "/jobs/slip-8-picture/picture-sound");
            Take(bench, folder, "build", "/jobs/slip-7-picture/build");
            Take(bench, folder, "passport", "/jobs/slip-7-picture/passport");
            Take(bench, folder, "unit", "/units/slip-7");
            Take(bench, folder, "handbook", "/handbook/memory");
        }
        Assert.True(Directory.EnumerateFiles(folder, "*.png").Count() < 20);
    }

    static void Take(Bench bench, string folder, string name, string path)
    {
        bench.Go(path);
        bench.Until(() => bench.Browser.FindElements(By.CssSelector("[data-again]")).Count == 0, "nothing is under way any more");
        bench.Browser.ExecuteAsyncScript("document.fonts.ready.then(arguments[0])");
        bench.Browser.GetScreenshot().SaveAsFile(Path.Combine(folder, $"{name}.png"));
    }
}
