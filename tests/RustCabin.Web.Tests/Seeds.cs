namespace RustCabin.Web.Tests;

/// <summary>
/// One small body for every call that takes something other than a pack, which reads and is answered. <see cref="Grown"/> makes
/// the heaviest of them. A new call wants its own here.
/// </summary>
static class Seeds
{
    public static readonly IReadOnlyDictionary<string, string> All = new Dictionary<string, string>
    {
        ["identify"] = """
            { "model": { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                "revisions": [ { "id": "r1", "name": "R1" }, { "id": "r2", "name": "R2" } ],
                "clues": [ { "id": "c", "ask": "?", "trust": 0.9, "values": { "v1": ["r1"], "v2": ["r2"] } } ] }, "seen": { "c": "v1" } }
            """,
        ["tests"] = """
            { "touched": ["f1"], "tests": [ { "id": "t1", "minutes": 2, "exercises": ["f1"] }, { "id": "t2", "minutes": 1, "exercises": ["f1"] } ] }
            """,
        ["map"] = """
            { "addressBits": 32, "masters": ["cpu"], "claims": [ { "id": "c1", "kind": "ram", "base": "0x0", "size": "64K" },
                { "id": "c2", "kind": "rom", "base": "0x8000", "size": "16K", "mask": "0xFFFF0000" } ] }
            """,
        ["memory/bank"] = """{ "type": "64Kx1", "dataBits": 8, "parityBits": 1 }""",
        ["memory/arrangements"] = """
            { "baseBytes": 0, "capBytes": 1073741824, "dataBits": 8, "parityBits": 0, "banks": 8, "types": ["16Kx1", "64Kx1", "256Kx1", "1Mx1"],
              "mix": "any", "targetBytes": 0, "stock": { "16Kx1": 8 }, "prices": { "16Kx1": 1 }, "socketed": false }
            """,
        ["memory/marking"] = """{ "text": "HM 4164-15" }""",
        ["memory/sectors"] = """
            { "sectors": 1024, "reservedSectors": 2, "bytesPerSector": 512, "linkBytes": 2, "files": [1000, 20000] }
            """,
        ["rom/wiring"] =
            """{ "device": "27256", "socket": ["A0", "A1", "D0", "GND", "/CE", "/OE", "D1", "VCC"], "ties": { "A2": "GND" } }""",
        ["speed"] = """
            { "parts": [ { "name": "a", "seconds": 10, "factor": 2 }, { "name": "b", "seconds": 5 } ],
              "measured": { "before": [10, 11], "after": [7, 7.5] } }
            """,
        ["storage/plan"] = """
            { "card": "32 GB", "host": {}, "partitions": [ { "name": "A", "size": "64M", "fs": "fat16", "files": [100, 200] },
                { "name": "B", "rest": true, "fs": "native" } ] }
            """,
        ["storage/image"] = """
            { "card": "1 GB", "host": {}, "partitions": [ { "name": "A", "size": "64M", "fs": "fat16", "files": [100, 200] } ] }
            """,
        ["storage/scsi"] = """
            { "host": { "id": 7, "ids": 8, "terminates": true, "power": true },
              "devices": [ { "name": "d1", "id": 0, "terminates": false, "power": false }, { "name": "d2", "id": 1, "terminates": true } ] }
            """,
        ["cards/tree"] = """
            { "tree": { "pattern": "{nn}/{title}.{ending}", "most": 99, "names": "8.3", "formats": ["img"] },
              "files": [ { "path": "tide book.img", "bytes": 9000 } ] }
            """,
        ["alternatives"] = """
            { "ways": [ { "id": "mend", "money": 12.5, "hours": 4, "chance": 0.8, "mendHours": 3, "mendMoney": null },
                { "id": "buy", "money": 60, "hours": 0.5, "chance": 0.9, "mendHours": 1, "mendMoney": 20 } ], "hourWorth": 9 }
            """,
        ["faults/swaps"] = """
            { "causes": [ { "id": "board", "prior": 3, "belongs": ["board"] }, { "id": "pair", "prior": 1, "belongs": ["board", "unit"] } ],
              "done": [ { "moved": ["board"], "shows": false } ], "options": [ { "moved": ["board", "unit"], "minutes": 12 } ] }
            """,
        ["line/garbled"] = """
            { "sent": "READY", "from": { "speed": 9600, "bits": 8, "parity": "none" }, "got": "52",
              "tried": { "speeds": [4800, 9600], "bits": [7, 8], "parities": ["none", "even", "odd"], "inverted": [false, true] } }
            """,
        ["line/speeds"] = """
            { "a": { "clockHz": 1843200, "divide": 16, "least": 1, "most": 65535 },
              "b": { "clockHz": 2000000, "divide": 16, "least": 1, "most": 255 }, "wants": [300, 9600] }
            """,
        ["place"] = """
            { "area": { "w": 200, "h": 120 }, "taken": [ { "x": 0, "y": 0, "w": 80, "h": 60 } ],
              "board": { "w": 50, "h": 30, "turn": true, "margin": 2 }, "from": { "x": 100, "y": 10 }, "reach": 90 }
            """,
        ["reports"] =
            """{ "reports": [ { "thing": "card", "firmware": "1.2", "works": true }, { "thing": "card", "firmware": null, "works": false } ] }""",
        ["speed/frames"] = """
            { "runs": [ { "width": 320, "height": 200, "fps": 31.5 }, { "width": 640, "height": 400, "fps": 12 } ],
              "sizes": [ { "width": 512, "height": 384 } ], "wanted": 20, "cap": 70 }
            """,
        ["starts"] = """{ "before": { "works": 7, "tries": 10 }, "after": { "works": 12, "tries": 12 }, "sure": 0.95 }""",
        ["paste"] = """{ "text": "0000-3FFF ROM\n4000-7FFF RAM", "as": "map", "addressBits": 16 }""",
        ["acts/compare"] = """
            { "a": [ { "do": "lift", "chip": "U7", "pins": [45] }, { "do": "wire", "from": "U7.45", "to": "TP3", "mm": null } ],
              "b": [ { "do": "cut", "between": ["TP3", "R1"] } ] }
            """,
        ["releases"] =
            """{ "releases": [ { "file": "fw-{variant}-{version}.bin" } ], "variant": "B", "part": null, "files": ["fw-b-1.2.bin"] }""",
        ["storage/names"] = """{ "rule": "8.3", "names": ["Harbour Lights.disk", "tide book.text"] }""",
        ["storage/route"] = """
            { "bytes": 1000000, "ends": ["a", "z"], "legs": [ { "from": "a", "to": "b", "carries": 1000, "bytesPerSecond": 500, "minutesEach": 1 },
                { "from": "b", "to": "z", "bytesPerSecond": 5000 } ] }
            """,
        ["picture/timing"] = """
            { "pixelClockMHz": 14, "pixelsPerLine": 910, "lines": 262, "display": { "id": "d", "lineKHz": [15, 16], "fieldHz": [50, 60] } }
            """,
        ["picture/sampling"] = """{ "pixelsPerLine": 910, "samplesPerLine": 1820, "captures": [10, 20, 31] }""",
        ["picture/memory"] =
            """{ "width": 640, "height": 200, "bits": 8, "alignment": 16, "buffers": 2, "framesPerSecond": 50 }""",
        ["picture/palette"] = """{ "levels": [11, 11, 7], "wanted": ["#7a5a30", "#102030"] }""",
        ["picture/scale"] = """{ "source": [640, 200], "pixelAspect": 0.5, "panel": [1280, 1024] }""",
        ["sound/load"] = """
            { "rms": 4, "speakers": [4, 8], "wired": "parallel", "amplifier": { "watts": 5, "minOhms": 2 } }
            """,
        ["sound/sides"] = """{ "heard": { "left": ["left"], "right": ["right"] } }""",
        ["pins"] = """{ "package": "QFP-64", "view": "above", "pins": [1, 2, 50] }""",
        ["connectors/mate"] = """
            { "a": { "contacts": ["GND", "+5", "D0"], "gender": "m" }, "b": { "contacts": ["GND", "+5", "D0"], "gender": "f" }, "rails": ["+5"] }
            """,
        ["connectors/chain"] = """
            { "source": ["GND", "s1", "s2"], "boards": [ { "name": "b1", "wants": ["GND", "s1", "n"] }, { "name": "b2", "wants": ["GND", "s2", "n"] } ] }
            """,
        ["cables"] = """
            { "from": { "family": "a", "gender": "m", "role": "DTE", "level": "rs232" },
              "to": { "family": "z", "gender": "m", "role": "DTE", "level": "rs232" },
              "pieces": [ { "id": "p1", "a": { "family": "a", "gender": "f" }, "b": { "family": "y", "gender": "m" } },
                { "id": "p2", "a": { "family": "y", "gender": "f" }, "b": { "family": "z", "gender": "f" }, "crossing": true } ] }
            """,
        ["build/order"] = """
            { "levels": [ { "id": "lid", "minutes": 5 }, { "id": "deck", "from": "lid", "minutes": 3 } ],
              "steps": [ { "id": "s1", "level": "lid", "minutes": 3, "chance": 0.1, "mendMinutes": 5 },
                { "id": "s2", "level": "deck", "minutes": 4, "chance": 0.05, "mendMinutes": 8, "after": ["s1"] } ],
              "gate": { "minutes": 4, "reopenMinutes": 3 }, "policy": "careful" }
            """,
        ["build/cost"] = """{ "boards": 10, "boardPrice": 3, "parts": 5, "postage": 4, "sold": 6, "kept": 4 }""",
        ["build/suppliers"] = """
            { "wants": { "i1": 3, "i2": 5 }, "offers": [ { "supplier": "s1", "item": "i1", "price": 1 }, { "supplier": "s2", "item": "i2", "price": 2, "least": 4 },
                { "supplier": "s1", "item": "i2", "price": 3 } ], "postage": { "s1": 2, "s2": 1 } }
            """,
        ["build/bath"] = """{ "litres": 2, "percent": 6, "fromPercent": 12 }""",
        ["faults/posterior"] = """
            { "causes": [ { "id": "a", "prior": 0.2, "predicts": { "o": "yes" } }, { "id": "b", "prior": 0.3, "predicts": { "o": "no" } } ],
              "outcomes": { "o": ["yes", "no"], "p": ["yes", "no"] }, "seen": { "o": "yes" }, "checks": { "p": 2 } }
            """,
        ["trials"] = """
            { "factors": { "f": ["a", "b"], "g": ["c", "d"] }, "trials": [ { "works": false, "set": { "f": "a", "g": "c" } },
                { "works": true, "set": { "f": "b", "g": "c" } } ] }
            """,
        ["repair"] = """
            { "legs": [ { "place": "U1.1", "net": "n" }, { "place": "U2.1", "net": "n" }, { "place": "U3.1", "net": "o" } ], "broken": ["U1.1"],
              "joined": [ ["U2.1", "U3.1"] ] }
            """,
    };
}
