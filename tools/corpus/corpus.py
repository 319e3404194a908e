#!/usr/bin/env python3
"""Some 240 requests to /api/v1 and their answers, to be compared byte for byte before and after a change.

    corpus.py URL keep DIR      asks, and keeps the answers
    corpus.py URL compare DIR   asks again, and tells what differs

The requests are made from the demo packs and a fixed seed, so both runs ask the same.
"""
import copy, glob, json, os, random, re, sys, urllib.error, urllib.request

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
    for name, path, body in requests():
        count += 1
        file = os.path.join(folder, "".join(c if c.isalnum() or c in "-." else "_" for c in name))
        got = plain(ask(url, path, body))
        if what == "keep":
            open(file, "wb").write(got)
        elif open(file, "rb").read() != got:
            differ += 1
            open(file + ".now", "wb").write(got)
            print("differs:" if errors_sorted(got) != errors_sorted(open(file, "rb").read()) else "order of errors differs:", name)
    print(f"{count} requests, {differ} answers differ")
    sys.exit(1 if differ else 0)


main()
