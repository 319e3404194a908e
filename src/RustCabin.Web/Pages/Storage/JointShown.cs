using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Cards;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Storage;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Storage;

/// <summary>A joint between host and card: what stands behind it, whether it holds, and what is missing.</summary>
/// <param name="To">What it leads to.</param>
/// <param name="Mark">Whether it holds.</param>
/// <param name="Words">Contacts, power.</param>
/// <param name="Mends">Parts of the cabin that would mend it, tried.</param>
public sealed record JointShown(string To, StationMark Mark, IReadOnlyList<string> Words, IReadOnlyList<Part> Mends)
{
    /// <summary>The joints of a device, from the host to the card.</summary>
    public static IReadOnlyList<JointShown> Of(JobView view, Attached at)
    {
        var joints = new List<JointShown>();
        foreach (Instance between in at.Through)
            joints.Add(new(between.Title, StationMark.Clear, [between.Part.Summary], []));
        Finding[] wrong =
        [
            .. view.Answer.Findings.Where(f =>
                (f.Kind == StorageFindings.Contacts || f.Kind == StorageFindings.Power || f.Kind == StorageFindings.Variant)
                && f.Subjects.Contains(at.Device.Subject)
            ),
        ];
        string contacts =
            at.Storage.Contacts is not { } own ? ""
            : at.ContactsThere(view.After) is { } there && there != own ? $"{own} contacts against {there}"
            : $"{own} contacts";
        string power = at.Storage.Power switch
        {
            DevicePower.Cable => "power out of the cable",
            DevicePower.Plug => $"power by a {at.Storage.Plug ?? "plug"}",
            _ => "",
        };
        joints.Add(
            new(
                at.Device.Title,
                at.Host is null ? StationMark.Watch
                    : wrong.Length > 0 ? StationMark.Stop
                    : StationMark.Clear,
                [
                    .. (string[])[contacts, power, .. at.Host is null ? ["no host here for it"] : (string[])[]],
                    .. wrong.Where(f => f.Kind != StorageFindings.Contacts).Select(f => f.Title),
                ],
                wrong.Length > 0 ? MendsOf(view, at, wrong) : []
            )
        );
        if (at.Storage.TakesCard && view.Job.Cards.FirstOrDefault(c => c.On == at.Device.Name) is { } card)
            joints.Add(
                new(
                    $"{card.Labelled} card",
                    view.Answer.Findings.Any(f =>
                        f.Severity == Severity.Stop
                        && f.Station == StorageStation.Here
                        && f.Subjects.Contains(at.Device.Subject)
                        && !wrong.Contains(f)
                    )
                        ? StationMark.Stop
                        : StationMark.Clear,
                    [
                        at.Storage.CardKinds.Count > 0
                            ? string.Join(", ", at.Storage.CardKinds)
                            : Core.Declared.Words<Media>.Of(at.Storage.Media),
                    ],
                    []
                )
            );
        return joints;
    }

    /// <summary>Parts that, added to the job, leave one stop fewer of these and bring no other.</summary>
    static IReadOnlyList<Part> MendsOf(JobView view, Attached at, Finding[] wrong)
    {
        int stops = Stops(view.Answer);
        return
        [
            .. from part in view.Sheets.Parts
            where part.Sites.Count > 0 && view.After.Instances.All(i => i.Part.Id != part.Id)
            let way = Core.Fit.FitMatrix.Cell(view.Model, part, view.After.Revision.Id).Way
            where
                way is not null
                && JobEdits.Add(view.Job, part.Id, new WayName(way.Id)) is { } tried
                && Helps(view, tried, at, wrong, stops)
            select part,
        ];
    }

    static bool Helps(JobView view, Job tried, Attached at, Finding[] wrong, int stops)
    {
        var answer = Answer.For(Trail.Stations, Plan.For(view.Sheets, tried));
        return Stops(answer) < stops
            && answer.Findings.Count(f => wrong.Any(w => w.Code == f.Code) && f.Subjects.Contains(at.Device.Subject))
                < wrong.Length;
    }

    static int Stops(Answer answer) => answer.Findings.Count(f => f.Severity == Severity.Stop);
}
