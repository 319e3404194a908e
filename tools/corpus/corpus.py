#!/usr/bin/env python3
"""Requests to every call of /api/v1 and their answers, to be compared byte for byte before and after a change.

    corpus.py URL keep DIR      asks, and keeps the answers
    corpus.py URL compare DIR   asks again, and tells what differs

The requests are made from the demo packs and a fixed seed, so both runs ask the same. A call of the OpenAPI document that none of them
asks ends it with an error.
"""
import copy, glob, itertools, json, os, random, re, sys, urllib.error, urllib.request

ROOT = os.path.join(os.path.dirname(os.path.abspath(__file__)), "..", "..")


def packs():
    for path in sorted(glob.glob(os.path.join(ROOT, "demo", "*.json"))) + sorted(glob.glob(os.path.join(ROOT, "tests", "RustCabin.Core.Tests", "Samples", "*.json"))):
        pack = json.load(open(path))
        if "format" in pack:
            yield os.path.basename(path), pack


def whole():
    """All demo packs as one, since they lean on each other."""
    one = {"format": "rustcabin.pack/1", "currency": "EUR", "models": [], "parts": [], "units": [], "jobs": [], "titles": []}
    for path in sorted(glob.glob(os.path.join(ROOT, "demo", "*.json"))):
        pack = json.load(open(path))
        for kind in ("models", "parts", "units", "jobs", "titles"):
            one[kind] += pack.get(kind, [])
    return one


def places(node, path=()):
    yield path
    if isinstance(node, dict):
        for key, value in node.items():
            yield from places(value, path + (key,))
    elif isinstance(node, list):
        for i, value in enumerate(node):
            yield from places(value, path + (i,))


def spoil(pack, random):
    pack = copy.deepcopy(pack)
    for _ in range(random.choice([1, 1, 2, 4])):
        path = random.choice([p for p in places(pack) if len(p) > 1])
        node = pack
        for step in path[:-1]:
            node = node[step]
        what = random.randrange(7)
        if what == 0 and isinstance(node, dict): node["nonsense"] = 1
        elif what == 1: del node[path[-1]]
        elif what == 2: node[path[-1]] = -7
        elif what == 3: node[path[-1]] = "Not an id!"
        elif what == 4: node[path[-1]] = []
        elif what == 5: node[path[-1]] = {"a": None}
        else: node[path[-1]] = 1.5
    return pack


def form(fields):
    mark = "corpusboundary"
    body = b""
    for name, value in fields:
        if isinstance(value, bytes):
            body += f'--{mark}\r\nContent-Disposition: form-data; name="{name}"; filename="a.bin"\r\nContent-Type: application/octet-stream\r\n\r\n'.encode() + value + b"\r\n"
        else:
            body += f'--{mark}\r\nContent-Disposition: form-data; name="{name}"\r\n\r\n{value}\r\n'.encode()
    return body + f"--{mark}--\r\n".encode(), f"multipart/form-data; boundary={mark}"


def requests():
    rnd = random.Random(20)
    one = whole()
    for job in one["jobs"]:
        for call in ("check", "settings", "build-sets"):
            yield f"{call}-{job['id']}", f"/api/v1/{call}?job={job['id']}", one
    for name, pack in packs():
        yield f"check-alone-{name}", "/api/v1/check", pack
    small = json.load(open(os.path.join(ROOT, "tests", "RustCabin.Core.Tests", "Samples", "slipway.json")))
    for i in range(30): yield f"spoilt-sample-{i}", "/api/v1/check", spoil(small, rnd)
    for i in range(30): yield f"spoilt-demo-{i}", f"/api/v1/check?job={one['jobs'][i % len(one['jobs'])]['id']}", spoil(one, rnd)
    for model in one["models"]:
        yield f"identify-{model['id']}", "/api/v1/identify", {"model": model, "seen": {}}
        for clue in model.get("clues", [])[:3]:
            for value in list(clue["values"])[:2]:
                yield f"identify-{model['id']}-{clue['id']}-{value}", "/api/v1/identify", {"model": model, "seen": {clue["id"]: value}}
        yield f"map-{model['id']}", "/api/v1/map", {"addressBits": model["addressBits"], "masters": model["masters"],
            "claims": [{k: v for k, v in c.items() if k not in ("revisions", "sockets")} for c in model.get("claims", []) if not c.get("auto")]}
    for t in ("64Kx1", "256Kx1", "64Kx4", "4116", "44256", "32Kx8", "9Kx9"):
        yield f"bank-{t}", "/api/v1/memory/bank", {"dataBits": 8, "parityBits": 1, "type": t}
    yield "bank-wrong", "/api/v1/memory/bank", {"dataBits": 8.5, "parity": 1}
    for target in (192, 512, 4096):
        for mix in ("alike", "pairs", "larger-first", "what"):
            yield f"arrangements-{target}-{mix}", "/api/v1/memory/arrangements", {"baseBytes": 65536, "capBytes": 524288, "dataBits": 8, "parityBits": 0, "banks": 2,
                "types": ["64Kx1", "256Kx1"], "mix": mix, "targetBytes": target * 1024, "stock": {"64Kx1": 8}, "prices": {"64Kx1": 0.8, "256Kx1": 1.5}, "socketed": True}
    for text in ("xx41256-12", "27C512-15", "62256LP-70", "4464 8739", "4164-2", "6116-3", "hello", "", "27128A 8512", "KM41C1000-7"):
        yield f"marking-{text}", "/api/v1/memory/marking", {"text": text}
    yield "sectors", "/api/v1/memory/sectors", {"sectors": 930, "reservedSectors": 0, "bytesPerSector": 320, "linkBytes": 4, "files": [9000, 0, 1]}
    yield "sectors-wrong", "/api/v1/memory/sectors", {"sectors": 10, "reservedSectors": 20, "bytesPerSector": 2, "linkBytes": 3, "files": [0.5]}
    for model in one["models"]:
        for site in model.get("sites", []):
            if "pinout" in site:
                for device in ("27C400", "2764", "27C010", "27512"):
                    yield f"wiring-{model['id']}-{site['id']}-{device}", "/api/v1/rom/wiring", {"device": device, "socket": site["pinout"], "ties": {"A17": "GND"}}
    yield "wiring-wrong", "/api/v1/rom/wiring", {"device": "nothing", "socket": "x"}
    for package in ("QFP-64", "DIP-40", "PLCC-44", "QFP-100(30,20)", "SOIC-28", "header-40", "DB-9", "edge-44", "what"):
        for view in ("above", "below"):
            yield f"pins-{package}-{view}", "/api/v1/pins", {"package": package, "pins": [1, 9, 5], "view": view}
    yield "speed", "/api/v1/speed", {"parts": [{"name": "cpu", "seconds": 80, "factor": 4}, {"name": "disc", "seconds": 5, "factor": 1}], "measured": {"before": [10, 11, 12], "after": [5, 5.5]}}
    yield "speed-wrong", "/api/v1/speed", {"parts": [{"name": "", "seconds": -1}], "measured": 3}
    image = bytes(rnd.randrange(256) for _ in range(4096))
    yield "inspect", "/api/v1/rom/inspect", form([("image", image), ("formatIn", "bin")])
    yield "inspect-text", "/api/v1/rom/inspect", form([("image", b"Hollin Reach Circuits, start ROM of the winter school " * 40), ("formatIn", "bin")])
    yield "inspect-wrong", "/api/v1/rom/inspect", form([("image", b":00\n"), ("formatIn", "ihex")])
    for i, ops in enumerate(([{"op": "swap16"}], [{"op": "swap32"}], [{"op": "reverseWords", "bits": 16}], [{"op": "double"}], [{"op": "pad", "size": "8K", "fill": 255}],
                             [{"op": "slice", "from": 16, "size": "1K"}], [{"op": "nothing"}], [{"op": "pad"}], [{"op": "swap16", "x": 1}], "no", [{"op": "split", "lanes": 3}],
                             [{"op": "patch", "at": 0, "bytes": "00ff"}], [{"op": "checksum", "kind": "sum16", "at": "0xFFE"}])):
        for out in ("bin", "ihex", "srec"):
            yield f"transform-{i}-{out}", "/api/v1/rom/transform", form([("image", image), ("ops", json.dumps(ops)), ("formatIn", "bin"), ("formatOut", out)])


def jobs_and_boards(rnd):
    """Every job of the demo through the calls that take a pack, and what each gate shows when something is wrong."""
    one = whole()
    for job in one["jobs"]:
        name = job["id"]
        yield f"wiring-{name}", f"/api/v1/wiring?job={name}", one
        yield f"plan-{name}", f"/api/v1/memory/plan?job={name}", one
        for policy in ("careful", "batch", "own"):
            yield f"build-{name}-{policy}", f"/api/v1/build?policy={policy}&job={name}", one
        alone = {**one, "jobs": [job]}
        for gate in ["untouched"] + [f"count-{a['part']}" for a in job.get("add", [])]:
            yield f"faults-{name}-{gate}-dark", "/api/v1/faults", {"pack": alone, "gate": gate, "observed": {"starts": False}}
            yield f"faults-{name}-{gate}-short", "/api/v1/faults", {"pack": alone, "gate": gate, "observed": {"lines": [65536, 0], "starts": True}}
    yield "wiring-nobody", "/api/v1/wiring?job=nobody", one
    yield "build-odd", f"/api/v1/build?policy=odd&job={one['jobs'][0]['id']}", one
    for model in one["models"]:
        parts = sorted({w.get("model") and p["id"] for p in one["parts"] for w in p.get("ways", []) if w.get("model") == model["id"]})
        pack = {**one, "units": [], "jobs": [], "models": [model]}
        for count in (1, 2):
            for _ in range(2):
                some = ",".join(rnd.sample(parts, min(count, len(parts))))
                yield f"boards-{model['id']}-{some}", f"/api/v1/boards-for?parts={some}", pack


def numbers(rnd):
    """The calls that take figures alone, with right and with wrong ones."""
    nets = ["GND", "+5", "+12", "-9", "tx", "rx", "ring", "n"]
    row = lambda n: [rnd.choice(nets) for _ in range(n)]
    for i in range(12):
        n = rnd.randint(1, 7)
        yield f"mate-{i}", "/api/v1/connectors/mate", {"a": {"contacts": row(n), "gender": "m"}, "b": {"contacts": row(n + i % 2), "gender": rnd.choice("mf")}, "rails": []}
        yield f"chain-{i}", "/api/v1/connectors/chain", {"source": row(n), "boards": [{"name": f"b{k}", "wants": row(n)} for k in range(i % 4 + 1)]}
    ends = [{"family": f, "gender": g, "role": r, "level": "rs232"} for f in ("DB-25", "DE-9") for g in "mf" for r in ("DTE", "DCE")]
    for i in range(12):
        pieces = [{"id": f"p{k}", "a": {"family": rnd.choice(["DB-25", "DE-9"]), "gender": rnd.choice("mf")}, "b": {"family": rnd.choice(["DB-25", "DE-9"]), "gender": rnd.choice("mf")}, "crossing": rnd.random() < 0.3} for k in range(i % 5)]
        yield f"cables-{i}", "/api/v1/cables", {"from": rnd.choice(ends), "to": rnd.choice(ends), "pieces": pieces}
    for i in range(16):
        host = rnd.choice([None, {"blockBits": 28, "offsetBits": 32, "largestPartition": "1800M", "startWithin": "3G"}, {"table": "own", "geometry": {"heads": 12, "sectors": 40}}])
        partitions = [{"name": f"p{k}", "size": f"{rnd.choice([8, 64, 500, 1700])}M", "fs": rnd.choice(["fat", "fat16", "fat32", "native", "exfat"]), "files": [9000, 0]} for k in range(i % 4)] + [{"name": "last", "rest": True, "fs": "fat32"}]
        plan = {"card": rnd.choice(["32 MB", "512 MB", "4 GB", "64 GB"]), "host": host, "partitions": partitions}
        yield f"storage-{i}", "/api/v1/storage/plan", plan
        if i < 3:
            yield f"storage-image-{i}", "/api/v1/storage/image", {"card": "32 MB", "host": None, "partitions": [{"name": "a", "size": "8M", "fs": "fat12"}, {"name": "b", "rest": True, "fs": "fat16"}]}
        devices = [{"name": f"d{k}", "id": rnd.choice([None, 0, 3, 7]), "terminates": rnd.choice([None, True, False]), "power": rnd.random() < 0.5} for k in range(i % 5)]
        yield f"scsi-{i}", "/api/v1/storage/scsi", {"host": {"id": 7, "terminates": True, "power": True}, "devices": devices}
        legs = [{"from": rnd.choice("abc"), "to": rnd.choice("bcd"), "carries": rnd.choice([None, 580000]), "bytesPerSecond": rnd.choice([9600, 12500]), "minutesEach": 1} for _ in range(i % 6)]
        yield f"route-{i}", "/api/v1/storage/route", {"bytes": 2000000, "ends": ["a", "d"], "legs": legs}
        yield f"timing-{i}", "/api/v1/picture/timing", {"pixelClockMHz": rnd.choice([11.8, 12.6, 25.8]), "pixelsPerLine": rnd.choice([750, 806]), "lines": rnd.choice([262, 310, 621]), "interlaced": i % 2 == 0, "doubled": i % 3 == 0, "display": rnd.choice([None, {"lineKHz": [15, 40], "fieldHz": [48, 62]}])}
        yield f"sampling-{i}", "/api/v1/picture/sampling", {"pixelsPerLine": 806, "samplesPerLine": rnd.choice([806, 808, 1612]), "captures": [rnd.randint(0, 4) for _ in range(i + 1)]}
        yield f"frame-{i}", "/api/v1/picture/memory", {"width": rnd.randint(1, 900), "height": rnd.randint(1, 600), "bits": rnd.choice([1, 4, 16]), "alignment": 4, "buffers": 2, "framesPerSecond": 50}
        yield f"palette-{i}", "/api/v1/picture/palette", {"levels": [rnd.randint(2, 16) for _ in range(3)], "wanted": [f"#{rnd.randrange(1 << 24):06x}"]}
        yield f"scale-{i}", "/api/v1/picture/scale", {"source": [rnd.randint(100, 700), rnd.randint(100, 500)], "pixelAspect": 0.52, "panel": [1280, 1024]}
        yield f"load-{i}", "/api/v1/sound/load", {"rms": 3.5, "speakers": [rnd.choice([4, 8, 45]) for _ in range(i % 3 + 1)], "wired": rnd.choice(["series", "parallel"]), "amplifier": {"watts": 2, "minOhms": 8}}
        yield f"sides-{i}", "/api/v1/sound/sides", {"heard": {k: rnd.sample(["left", "right"], rnd.randint(0, 2)) for k in ("left", "right")}}
        levels = [{"id": "shut", "from": None, "minutes": 0}, {"id": "lid", "from": "shut", "minutes": 5}, {"id": "deep", "from": "lid", "minutes": 8}]
        steps = [{"id": f"s{k}", "level": rnd.choice(["lid", "deep"]), "minutes": rnd.randint(1, 30), "chance": 0.05, "mendMinutes": 9, "after": [f"s{k - 1}"] if rnd.random() < 0.3 and k else []} for k in range(i % 7 + 1)]
        yield f"order-{i}", "/api/v1/build/order", {"levels": levels, "steps": steps, "gate": {"minutes": 4, "reopenMinutes": 6, "needsClosed": i % 2 == 0}, "policy": rnd.choice(["careful", "batch"])}
        yield f"cost-{i}", "/api/v1/build/cost", {"boards": i + 1, "boardPrice": 7.5, "parts": 18.4, "postage": 6, "sold": min(i, 2), "kept": 1}
        offers = [{"supplier": rnd.choice(["reach", "moor"]), "item": item, "price": rnd.randint(1, 9), "least": 1} for item in ("27C400", "64Kx1") for _ in range(2)]
        yield f"suppliers-{i}", "/api/v1/build/suppliers", {"wants": {"27C400": 2, "64Kx1": i + 1}, "offers": offers, "postage": {"reach": 4, "moor": 3}}
        yield f"bath-{i}", "/api/v1/build/bath", {"litres": i, "percent": rnd.choice([8, 12, 40]), "fromPercent": 30}
        causes = [{"id": f"c{k}", "prior": 0.2, "predicts": {"light": rnd.choice(["on", "off"]), "beep": rnd.choice(["yes", "no"])}} for k in range(i % 5 + 1)]
        yield f"posterior-{i}", "/api/v1/faults/posterior", {"causes": causes, "outcomes": {"light": ["on", "off"], "beep": ["yes", "no"]}, "seen": {"light": "on"} if i % 2 else {}, "checks": {"light": 1, "beep": 3}}
        trials = [{"set": {"lead": rnd.choice("ab"), "card": rnd.choice("xy")}, "works": rnd.random() < 0.5} for _ in range(i % 5)]
        yield f"trials-{i}", "/api/v1/trials", {"factors": {"lead": ["a", "b"], "card": ["x", "y"]}, "trials": trials}
        legs = [{"place": f"U{k}.{n}", "net": f"n{n}", "xMm": 10 * k, "yMm": 3 * n} for k in range(1, 4) for n in range(1, 4)]
        yield f"repair-{i}", "/api/v1/repair", {"legs": legs, "broken": [f"U{rnd.randint(1, 3)}.{rnd.randint(1, 3)}"], "joined": [["U1.1", "U2.1"]] if i % 2 else []}
        yield f"tests-{i}", "/api/v1/tests", {"touched": ["rom", "ram"], "tests": [{"id": f"t{k}", "minutes": rnd.randint(1, 9), "exercises": rnd.sample(["rom", "ram", "sound"], 2)} for k in range(i % 5)]}
    for rule in ("8.3", "31", "255", "9.9"):
        yield f"names-{rule}", "/api/v1/storage/names", {"rule": rule, "names": ["Harbour Lights.dsk", "ok.txt", "aux.txt", "a" * 40, "", "b?c"]}
    for call in ("mate", "chain"): yield f"{call}-wrong", f"/api/v1/connectors/{call}", {"source": 5}
    for call in ("cables", "storage/plan", "storage/image", "storage/scsi", "storage/route", "storage/names", "picture/timing", "picture/sampling", "picture/memory", "picture/palette",
                 "picture/scale", "sound/load", "sound/sides", "build/order", "build/cost", "build/suppliers", "build/bath", "faults", "faults/posterior", "trials", "repair", "tests"):
        yield f"{call.replace('/', '-')}-wrong", f"/api/v1/{call}", {"nothing": [1]}


def ask(url, path, body):
    data, media = body if isinstance(body, tuple) else (json.dumps(body).encode(), "application/json")
    call = urllib.request.Request(url + path, data, {"Content-Type": media})
    try:
        with urllib.request.urlopen(call, timeout=120) as answer:
            return f"{answer.status} {answer.headers.get('Content-Type')}\n".encode() + answer.read()
    except urllib.error.HTTPError as refused:
        return f"{refused.code} {refused.headers.get('Content-Type')}\n".encode() + refused.read()


def plain(answer):
    """Without the trace's number, which is another each time."""
    return re.sub(rb'"traceId":"[^"]*"', b'"traceId":""', answer)


def errors_sorted(answer):
    """The same with the errors of a problem document in order: what is left of a difference that lies in their order alone."""
    status, _, body = answer.partition(b"\n")
    try:
        problem = json.loads(body)
        problem["errors"].sort(key=lambda e: (e["path"], e["message"]))
        return status, json.dumps(problem)
    except (ValueError, KeyError, TypeError):
        return status, body


def main():
    url, what, folder = sys.argv[1:4]
    os.makedirs(folder, exist_ok=True)
    count = differ = 0
    with urllib.request.urlopen(url + "/openapi/v1.json") as document:
        unasked = set(json.load(document)["paths"])
    rnd = random.Random(24)
    for name, path, body in itertools.chain(requests(), jobs_and_boards(rnd), numbers(rnd)):
        count += 1
        unasked.discard(path.partition("?")[0])
        file = os.path.join(folder, "".join(c if c.isalnum() or c in "-." else "_" for c in name))
        got = plain(ask(url, path, body))
        if what == "keep":
            open(file, "wb").write(got)
        elif open(file, "rb").read() != got:
            differ += 1
            open(file + ".now", "wb").write(got)
            print("differs:" if errors_sorted(got) != errors_sorted(open(file, "rb").read()) else "order of errors differs:", name)
    print(f"{count} requests, {differ} answers differ" + (f"; never asked: {', '.join(sorted(unasked))}" if unasked else ""))
    sys.exit(1 if differ or unasked else 0)


main()
