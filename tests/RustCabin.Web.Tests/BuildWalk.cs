using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>Goes along a build sheet as a person would: reads the cautions, proves, ticks, types what the screen must
/// show.</summary>
static class BuildWalk
{
    /// <summary>Does the step at hand; false: there is none left.</summary>
    public static async Task<bool> Step(CabinServer cabin, string job)
    {
        IHtmlDocument page = await cabin.Page($"/jobs/{job}/build");
        if (page.QuerySelector("li.step[data-current=true]") is not { } step)
            return false;
        foreach (IElement caution in step.QuerySelectorAll("[name=heeded][value=true]"))
            await Pressed(
                cabin,
                $"/jobs/{job}/build",
                $"[id='{step.Id}'] button[aria-label='{caution.GetAttribute("aria-label")}']",
                ("heeded", "true")
            );
        // What it rests on is looked at, and said to be ready.
        foreach (IElement stands in page.QuerySelectorAll("form[action*='handler=Ready']"))
            if (step.TextContent.Contains("still standing", StringComparison.Ordinal))
                await Pressed(
                    cabin,
                    $"/jobs/{job}/build",
                    $"[id='{stands.Closest("li.step")!.Id}'] form[action*='handler=Ready']"
                );
        if (step.QuerySelector("form[action*='handler=AllBack']") is not null)
            await Pressed(cabin, $"/jobs/{job}/build", $"[id='{step.Id}'] form[action*='handler=AllBack'] button");
        page = await cabin.Page($"/jobs/{job}/build");
        step = page.GetElementById(step.Id!)!;
        if (step.QuerySelector("a[href*='/rom']") is not null && step.Id!.StartsWith("step-proof-", StringComparison.Ordinal))
        {
            string site = step.Id["step-proof-".Length..];
            await Pressed(cabin, $"/jobs/{job}/rom?at={site}", "form[action*='handler=Prove'] button", ("site", site));
        }
        else if (step.QuerySelector("[name=seen]") is { } seen)
        {
            var typed = step.QuerySelectorAll(".reading tbody tr")
                .Select(r => ("seen", r.Children[1].TextContent.Trim()))
                .ToArray();
            await Pressed(cabin, $"/jobs/{job}/build", $"[id='{step.Id}'] [name=seen]", typed);
        }
        else if (step.QuerySelector("[name=starts]") is not null)
            await Pressed(cabin, $"/jobs/{job}/build", $"[id='{step.Id}'] [name=starts]", ("starts", "true"));
        else
            await Pressed(cabin, $"/jobs/{job}/build", $"[id='{step.Id}'] [name=done]", ("done", "true"));
        return true;
    }

    /// <summary>Goes on until a step is at hand; 60 steps at most.</summary>
    public static async Task UpTo(CabinServer cabin, string job, string step)
    {
        for (int i = 0; i < 60; i++)
        {
            IHtmlDocument page = await cabin.Page($"/jobs/{job}/build");
            if (page.QuerySelector("li.step[data-current=true]")?.Id == $"step-{step}" || !await Step(cabin, job))
                return;
        }
    }

    /// <summary>Goes on to the end; 60 steps at most.</summary>
    public static async Task ToTheEnd(CabinServer cabin, string job)
    {
        for (int i = 0; i < 60; i++)
            if (!await Step(cabin, job))
                return;
        Assert.Fail(
            $"{job} did not come to an end: {Text(await cabin.Page($"/jobs/{job}/build"), "li.step[data-current=true] h2")}"
        );
    }

    /// <summary>Presses something on a page, and holds that it was taken.</summary>
    public static async Task<IHtmlDocument> Pressed(
        CabinServer cabin,
        string url,
        string selector,
        params (string Name, string Value)[] with
    )
    {
        IHtmlDocument page = await cabin.Page(url);
        (HttpStatusCode status, page) = await cabin.Press(Form(page, selector), with);
        Assert.True(status == HttpStatusCode.OK, page.QuerySelector(".notice")?.TextContent ?? $"{selector} on {url}: {status}");
        return page;
    }
}
