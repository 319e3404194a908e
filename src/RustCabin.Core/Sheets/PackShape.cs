using static RustCabin.Core.Sheets.Shape;

namespace RustCabin.Core.Sheets;

/// <summary>The shape of a pack and of every sheet in it, fields in canonical order. Source: formats.md. What a later station reads stands as <see cref="Any"/>.</summary>
public static class PackShape
{
    static readonly Shape When = Map(NameOrNames),
        Ids = List(Id),
        Names = List(Name),
        Texts = List(Text);

    static readonly Shape Lines = List(Object(("label!", Name), ("bytes!", Size)));

    static readonly Shape NeedSheet = Object(
        ("firmware", Name),
        ("can", Name),
        ("signal", Name),
        ("part", Name),
        ("rail", Name),
        ("free", Name),
        ("region", Name),
        ("provides", Name),
        ("title", Name),
        ("memory", Object(("master!", Name), ("atLeast!", Size), ("free", Flag))),
        ("storage", Object(("atLeast!", Size))),
        ("speed", Object(("atLeast!", Number))),
        ("revisions", Ids),
        ("when", When)
    );

    static readonly Shape Pages = List(Object(("bank!", Whole), ("site!", Id)));

    static readonly Shape ClaimSheet = Object(
        ("id!", Id),
        ("kind!", Word<ClaimKind>()),
        ("auto", Flag),
        ("base", Address),
        ("size!", Size),
        ("mask", Address),
        ("masters", Ids),
        ("access", Word<BusAccess>()),
        ("drivesOnWrite", Flag),
        ("overlays", Names),
        ("speed", Word<SpeedClass>()),
        ("window", Object(("register", Name), ("banks", Whole), ("reset", Word<WindowReset>()), ("pages", Pages))),
        ("pages", Pages),
        ("sockets", Ids),
        ("revisions", Ids),
        ("when", When)
    );

    static readonly Shape SiteSheet = Object(
        ("id!", Id),
        ("kind!", Name),
        ("package", Name),
        ("mount", Name),
        ("mark", Name),
        ("connector", Name),
        ("gender", Any),
        ("contacts", Any),
        ("contactsFace", Word<Facing>()),
        ("bareContacts", Flag),
        ("heightMm", Number),
        ("widthMm", Number),
        ("depthMm", Number),
        ("access", Id),
        ("logicVolts", Number),
        ("romBudgetNs", Number),
        ("revisions", Ids),
        ("pinout", Names)
    );

    static readonly Shape Runs = List(Object(("name!", Name), ("seconds", List(Number))));

    static readonly Shape PathSheets = List(Object(("id!", Id), ("rail!", Name), ("amps!", Number), ("ohms", Number)));

    static readonly Shape Fitted = Object(
        ("part!", Id),
        ("way", Id),
        ("at", Id),
        ("switches", Map(Name)),
        ("version", Name),
        ("state", Word<FittedState>()),
        ("note", Text),
        ("steps", Map(Word<StepProof>())),
        ("banks", List(NameOrNull))
    );

    public static readonly Shape Model = Object(
        ("id!", Id),
        ("name!", Name),
        ("maker", Text),
        ("summary", Text),
        ("addressBits!", Whole),
        ("dataBits!", Whole),
        ("clockMHz", Number),
        ("byteOrder", Word<WordOrder>()),
        ("masters!", Ids),
        ("vectors", List(Object(("id!", Id), ("at!", Address), ("bytes!", Whole), ("order", Word<WordOrder>())))),
        ("revisions!", List(Object(("id!", Id), ("name!", Name)))),
        (
            "clues",
            List(
                Object(
                    ("id!", Id),
                    ("ask", Text),
                    ("access", Id),
                    ("minutes", Number),
                    ("trust!", Number),
                    ("values", Map(NameOrNames))
                )
            )
        ),
        (
            "access",
            List(
                Object(
                    ("id!", Id),
                    ("from", Id),
                    ("minutes", Number),
                    ("remove", List(Object(("what!", Name), ("count", Whole), ("where", Text)))),
                    ("unplug", Names),
                    ("fragile", Names),
                    ("cautions", Names)
                )
            )
        ),
        ("claims", List(ClaimSheet)),
        ("autoWindows", List(Object(("id!", Id), ("base!", Address), ("size!", Size)))),
        (
            "powerUp",
            List(
                Object(
                    ("label!", Name),
                    ("auto", Flag),
                    ("from", Address),
                    ("to", Address),
                    ("step", Size),
                    ("cap", Size),
                    ("stopAtGap", Flag)
                )
            )
        ),
        ("limits", Object(("memory", Map(Size)))),
        ("sites", List(SiteSheet)),
        (
            "signals",
            List(
                Object(
                    ("net!", Name),
                    ("at", List(Object(("chip!", Name), ("pin", Whole), ("tap", Name), ("revisions", Ids)))),
                    ("revisions", Ids)
                )
            )
        ),
        (
            "rails",
            List(
                Object(
                    ("id!", Name),
                    ("volts!", Number),
                    ("amps!", Number),
                    ("usedAmps", Number),
                    ("derate", Number),
                    ("tolerance", Number),
                    ("regulator", Object(("fromVolts!", Number), ("maxWatts!", Number))),
                    ("revisions", Ids)
                )
            )
        ),
        ("paths", PathSheets),
        ("openings", List(Object(("id!", Id), ("widthMm!", Number), ("heightMm!", Number)))),
        ("cooling", Object(("degreesPerWatt", Number), ("cfm", Number), ("maxRise!", Number), ("ownWatts", Number))),
        ("region", Names),
        ("firmware", List(Object(("id!", Name), ("basedOn", Name), ("bytes", Size), ("can", Names), ("uses", Map(Size))))),
        (
            "service",
            List(
                Object(
                    ("id!", Id),
                    ("kind", Word<ServiceKind>()),
                    ("what!", Name),
                    ("where", Text),
                    ("value", Text),
                    ("volts", Number),
                    ("polarity", Text),
                    ("size", Text),
                    ("years", Whole),
                    ("access", Id),
                    ("revisions", Ids)
                )
            )
        )
    );

    public static readonly Shape Part = Object(
        ("id!", Id),
        ("name!", Name),
        ("maker", Text),
        ("kind!", Word<PartKind>()),
        ("summary", Text),
        ("versions", List(Object(("id!", Name), ("errata", Texts)))),
        (
            "ways",
            List(
                Object(
                    ("id!", Id),
                    ("model", Id),
                    ("revisions", Ids),
                    ("connector", Name),
                    (
                        "occupies",
                        List(
                            Object(
                                ("site", Name),
                                ("signal", Name),
                                ("mode!", Word<SiteMode>()),
                                ("mark", Name),
                                ("stacks", Flag),
                                ("overhangs", List(Object(("site!", Id), ("clearanceMm!", Number))))
                            )
                        )
                    ),
                    ("expects", Id),
                    ("trims", Texts),
                    ("minutes", Number),
                    ("skill", Whole),
                    ("reversible", Flag),
                    ("faultChance", Number),
                    ("needs", List(NeedSheet)),
                    ("steps", Any),
                    ("changes", Any),
                    ("cautions", Names),
                    ("keeps", Texts),
                    ("special", Name),
                    ("stacks", Flag),
                    ("fitsSocket", Flag)
                )
            )
        ),
        ("connector", Any),
        ("gender", Any),
        ("contacts", Any),
        ("sites", List(SiteSheet)),
        ("needs", List(NeedSheet)),
        ("provides", Names),
        ("conflicts", List(Object(("part!", Id), ("why", Text)))),
        (
            "switches",
            List(Object(("id!", Name), ("kind", Word<SwitchKind>()), ("label", Text), ("positions!", Names), ("factory", Name)))
        ),
        ("claims", List(ClaimSheet)),
        (
            "sets",
            List(Object(("claim!", Name), ("base", Address), ("size", Size), ("masters", Ids), ("off", Flag), ("when", When)))
        ),
        (
            "arrays",
            List(
                Object(
                    ("id!", Id),
                    ("dataBits!", Whole),
                    ("parityBits", Whole),
                    ("types", Names),
                    ("addressLines", Whole),
                    ("refreshBits", Whole),
                    ("refreshRowUs", Number),
                    ("ownRefresh", Flag),
                    ("accessNs", Whole),
                    ("supplies", Names),
                    ("socketed", Flag)
                )
            )
        ),
        ("mix", Name),
        ("switchTable", List(Object(("arrangement", List(NameOrNull)), ("positions", Map(Name))))),
        ("capacity", Size),
        ("speed", Map(Number)),
        ("clockMHz", Number),
        ("logicVolts", Number),
        ("toleratesVolts", Number),
        ("feed", Object(("rail!", Name), ("minVolts!", Number), ("maxVolts!", Number))),
        ("drivers", List(Object(("name!", Name), ("atLeast", Text), ("order", Word<DriverOrder>()), ("firmware", Name)))),
        ("draws", List(Object(("rail!", Name), ("typicalAmps", Number), ("peakAmps", Number), ("path", Name), ("when", When)))),
        ("paths", PathSheets),
        ("trigger", Object(("volts!", Number), ("amps!", Number))),
        ("profiles", List(Object(("volts!", Number), ("amps!", Number)))),
        ("markedCable", Flag),
        ("supplies", List(Object(("rail!", Name), ("amps!", Number), ("replaces", Flag)))),
        ("heightMm", Number),
        ("widthMm", Number),
        ("depthMm", Number),
        ("bareMetal", Flag),
        (
            "cables",
            List(
                Object(
                    ("what!", Name),
                    ("through", Id),
                    ("into", Id),
                    ("widthMm", Number),
                    ("heightMm", Number),
                    ("contactsFace", Word<Facing>())
                )
            )
        ),
        ("heatW", Number),
        ("keeps", Texts),
        ("cautions", Names),
        ("stacks", Flag),
        ("faults", Any),
        ("price", Number)
    );

    public static readonly Shape Unit = Object(
        ("id!", Id),
        ("model!", Id),
        ("name!", Name),
        ("seen", Map(Name)),
        ("revision", Id),
        ("firmware", Name),
        ("fitted", List(Fitted)),
        (
            "baseline",
            Object(
                ("tested", Flag),
                ("reading", Object(("at", Name), ("starts", Flag), ("lines", Lines))),
                ("rails", List(Object(("rail!", Name), ("volts!", Number)))),
                ("runs", Runs),
                ("notes", List(Object(("text", Text), ("fault", Flag))))
            )
        ),
        (
            "survey",
            Object(
                ("year", Whole),
                ("suppliedForVolts", Number),
                ("mainsHereVolts", Number),
                ("capacitors", Word<Wear>()),
                ("cells", Word<Wear>()),
                ("corrosion", Word<Wear>()),
                ("plastic", Word<Wear>()),
                ("halfDone", Text)
            )
        ),
        ("software", Map(Name)),
        ("belongings", List(Object(("what!", Name), ("original", Flag), ("place", Text))))
    );

    public static readonly Shape Job = Object(
        ("id!", Id),
        ("unit!", Id),
        ("name!", Name),
        ("add", List(Fitted)),
        ("remove", Names),
        ("switches", Map(Map(Name))),
        ("firmware", Name),
        ("wants", List(NeedSheet)),
        ("limits", Object(("budget", Number), ("skill", Whole), ("reversible", Flag), ("fromStock", Flag), ("keep", Ids))),
        ("done", Names),
        ("heeded", Names),
        ("took", Map(Number)),
        ("readings", List(Object(("gate!", Name), ("at!", Name), ("starts", Flag), ("lines", Lines)))),
        (
            "roms",
            List(
                Object(
                    ("site!", Id),
                    ("device!", Name),
                    ("ns", Whole),
                    ("image", Name),
                    ("further", Names),
                    ("bytes", Whole),
                    ("ties", Map(Name)),
                    ("ops", Any),
                    ("proof", Object(("at!", Name), ("of!", Name), ("passed", Flag), ("words", Text))),
                    ("label", Text),
                    ("erasures", Whole),
                    ("erasing", Object(("at!", Name), ("seconds!", Whole))),
                    (
                        "burns",
                        List(
                            Object(
                                ("at!", Name),
                                ("passed", Flag),
                                ("words", Text),
                                ("device", Name),
                                ("batch", Text),
                                ("setting", Text),
                                ("label", Text),
                                ("erasures", Whole),
                                ("covered", Flag)
                            )
                        )
                    )
                )
            )
        ),
        (
            "speed",
            Object(
                ("work", List(Object(("kind!", Name), ("seconds!", Number)))),
                ("after", Runs),
                ("claims", List(Object(("who!", Name), ("ratio!", Number), ("unit", Id)))),
                ("seen", Object(("clockMHz", Number), ("coprocessor", Flag), ("memory", Size)))
            )
        ),
        ("banks", Map(List(NameOrNull))),
        ("settings", List(Object(("name!", Name), ("switches", Map(Map(Name))))))
    );

    public static readonly Shape Title = Object(("id!", Id), ("name!", Name), ("needs", List(NeedSheet)));

    public static readonly Shape Pack = Object(
        ("format!", Shape.Name),
        ("currency", Shape.Name),
        ("models", List(Model)),
        ("parts", List(Part)),
        ("units", List(Unit)),
        ("jobs", List(Job)),
        ("titles", List(Title))
    );

    /// <summary>The shape of a kind of sheet: model, part, unit, job or title; null for another word.</summary>
    public static Shape? Of(string kind) =>
        kind switch
        {
            "model" => Model,
            "part" => Part,
            "unit" => Unit,
            "job" => Job,
            "title" => Title,
            _ => null,
        };
}
