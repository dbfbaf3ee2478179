"""Calls that nobody foresaw: good ones with something in them spoiled, ones made up by the OpenAPI document, and ones
that are hardly calls at all."""

from __future__ import annotations

import copy
import http.client
import json
import random
from collections.abc import Iterator
from typing import Any, NamedTuple
from urllib.parse import quote

from tests.server import ROOT, Server

LEFT_OUT = {"/api/stream", "/api/keeping/plan", "/api/keeping/restore", "/api/keeping/archive"}
"""What never ends, what writes where it is told, what is slow for a good reason."""
NUMBERS = (0, -0.0, 1, -1, 1e-9, 0.5, 3, 41, 999, 1e4, 50_001, 1e6, 1e9, 1e15, 2**53, 1e300, -1e300, 10**40)
TEXTS = (
    "", " ", "a", "é", "x" * 90, "y" * 3000, "\0", "\u202e", "😀" * 20, "null", "1 egg\n" * 41, "½" * 500,
    "=1+1", "../../etc", "%00", "2026-11-29T05:00:00Z", "9999-12-31T23:59:59Z", "0001-01-01T00:00:00+14:00", "NaN",
)  # fmt: skip
PATHS = (
    "/%00",
    "/" + "a" * 3000,
    "/..%2f..%2fetc/passwd",
    "//",
    "/api",
    "/api/",
    "/api/none",
    "/assets/%ff",
    "/%F0%9F%98%80",
)
HEADERS = (
    ("Host", "["), ("Host", ""), ("Host", "127.0.0.1:x"), ("Host", "a" * 2000), ("Origin", "http://["),
    ("Origin", "null"), ("Cookie", "@=1"), ("Cookie", "=;;;=, a"), ("Cookie", "kindwhisk_session=" + "x" * 2000),
    ("Sec-Fetch-Site", "cross-site"), ("Last-Event-ID", "x"), ("Accept-Encoding", "\xff"),
    ("Content-Type", "text/plain; charset=none"), ("Range", "bytes=9-1"),
)  # fmt: skip


class Call(NamedTuple):
    """A call, as it is sent."""

    method: str
    path: str
    body: bytes | None
    headers: tuple[tuple[str, str], ...]


class Fuzzer:
    """Makes calls up, the same ones for the same seed."""

    def __init__(self, seed: int, known: dict[str, list[Any]]) -> None:
        """``known``: bodies that are right, by method and path, and ids by the name of their parameter."""
        self._random = random.Random(seed)
        self._document = json.loads((ROOT / "web" / "openapi.json").read_text(encoding="utf-8"))
        self._known = known
        self._doors = [
            (method.upper(), path, door)
            for path, doors in sorted(self._document["paths"].items())
            for method, door in sorted(doors.items())
            if path not in LEFT_OUT
        ]

    def calls(self, number: int) -> Iterator[Call]:
        """So many of them; every door gets its share."""
        for n in range(number):
            if n % 10 == 9:
                yield self._hardly_one()
            else:
                yield self._call(*self._doors[n % len(self._doors)])

    def _hardly_one(self) -> Call:
        pick = self._random.choice
        method, path = pick(("GET", "POST", "PUT", "DELETE", "HEAD", "PATCH")), pick(PATHS)
        if self._random.random() < 0.5:
            path = pick([p for _, p, _ in self._doors if "{" not in p])
        body = pick((None, b"", b"{", b"\xff\xfe", b"[" * 5000, b'{"a":' * 500, b"null", b"1e999", b'{"a":1,"a":2}'))
        return Call(method, path, body, (pick(HEADERS),))

    def _call(self, method: str, path: str, door: dict[str, Any]) -> Call:
        query = []
        for parameter in door.get("parameters", ()):
            name = parameter["name"]
            value = self._value(parameter.get("schema", {}), name)
            if parameter["in"] == "path":
                path = path.replace(f"{{{name}}}", quote(self._as_text(value), safe="")[:3000])
            elif parameter["in"] == "query" and (parameter.get("required") or self._random.random() < 0.6):
                query.append(f"{name}={quote(self._as_text(value), safe='')}")
        body = None
        content = door.get("requestBody", {}).get("content", {})
        if content:
            ready = self._known.get(f"{method} {path}") or self._known.get(f"{method} {path.split('?')[0]}")
            schema = next(iter(content.values())).get("schema", {})
            made = copy.deepcopy(self._random.choice(ready)) if ready else self._value(schema, "", 0)
            for _ in range(self._random.randrange(3)):
                made = self._spoiled(made)
            body = json.dumps(made).encode()
        return Call(method, path + ("?" + "&".join(query) if query else ""), body, ())

    def _as_text(self, value: Any) -> str:
        return value if isinstance(value, str) else json.dumps(value)

    def _spoiled(self, value: Any) -> Any:
        """The value with one thing in it changed."""
        roll = self._random.random()
        if isinstance(value, dict) and value and roll < 0.85:
            key = self._random.choice(sorted(value))
            if roll < 0.08:
                value.pop(key)
            else:
                value[key] = self._spoiled(value[key])
            return value
        if isinstance(value, list) and value and roll < 0.85:
            if roll < 0.15:
                return value * self._random.choice((2, 30, 400))
            value[self._random.randrange(len(value))] = self._spoiled(self._random.choice(value))
            return value
        if isinstance(value, bool) or value is None:
            return self._random.choice((None, True, "", 1))
        if isinstance(value, int | float):
            return self._random.choice((*NUMBERS, value * 10, value / 10, value * 1000, -value))
        if isinstance(value, str) and roll < 0.7:
            return self._random.choice((*TEXTS, value + "x", value * 3))
        return self._random.choice((None, [], {}, 1, "x", [[]], {"": 0}))

    def _value(self, schema: dict[str, Any], name: str, depth: int = 0) -> Any:  # noqa: PLR0911 - one kind a line
        pick, roll = self._random.choice, self._random.random()
        if name in self._known and roll < 0.8:
            return pick(self._known[name])
        if "$ref" in schema:
            return self._value(self._document["components"]["schemas"][schema["$ref"].rsplit("/", 1)[1]], name, depth)
        for several in ("anyOf", "oneOf", "allOf"):
            if several in schema:
                return self._value(pick(schema[several]), name, depth)
        if "const" in schema:
            return schema["const"]
        if "enum" in schema:
            return pick(schema["enum"]) if roll < 0.95 else pick(TEXTS)
        match schema.get("type"):
            case "object":
                fields = schema.get("properties", {})
                wanted = [f for f in fields if f in schema.get("required", ()) or self._random.random() < 0.3]
                return {} if depth > 7 else {f: self._value(fields[f], f, depth + 1) for f in wanted}
            case "array":
                number = pick((0, 1, 1, 2, 3)) if depth < 5 else 0
                return [self._value(schema.get("items", {}), name, depth + 1) for _ in range(number)]
            case "number" | "integer":
                low = schema.get("minimum", schema.get("exclusiveMinimum", 0))
                high = schema.get("maximum", schema.get("exclusiveMaximum", low + 1000))
                return pick((low, high, (low + high) / 2, pick(NUMBERS)))
            case "boolean":
                return pick((True, False))
            case "null":
                return None
        return pick(TEXTS)


def sent(server: Server, call: Call, within_s: float = 60) -> tuple[int, bytes]:
    """The status and the body of the answer."""
    connection = http.client.HTTPConnection("127.0.0.1", server.port, timeout=within_s)
    try:
        connection.putrequest(call.method, call.path.encode("utf-8").decode("latin-1"), skip_host=True)
        headers = dict((("Host", f"127.0.0.1:{server.port}"), ("Content-Type", "application/json"), *call.headers))
        for name, value in headers.items():
            connection.putheader(name, value)
        if call.body is not None:
            connection.putheader("Content-Length", str(len(call.body)))
        connection.endheaders(call.body)
        answer = connection.getresponse()
        return answer.status, answer.read()
    finally:
        connection.close()


def known(server: Server) -> dict[str, list[Any]]:
    """What is right on this server: ids, and bodies that its doors take."""
    formulas = [f["id"] for f in server.ask("/api/formulas")]
    bakes = [b["id"] for b in server.ask("/api/bakes")]
    asked = [server.ask(f"/api/craft/bake/of/{f}") for f in ("tea-chiffon", "milk-sponge")]
    tin = {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 60}}
    batter = {"batter_g": 470, "density_g_per_ml": 0.42, "technique": "separated chiffon"}
    return {
        "formula_id": formulas,
        "formula": formulas,
        "bake_id": bakes,
        "oven_id": ["deck", "oven"],
        "POST /api/craft/bake": asked,
        "POST /api/craft/bake/what-if": asked,
        "POST /api/craft/bake/forecast": [a | {"readings": [{"t_s": 60, "core_c": 30}] * 3} for a in asked],
        "POST /api/craft/tin": [tin | batter],
        "POST /api/formulas/read": [{"text": "1 egg\n" * 41}, {"text": "Sponge\n120 g flour\n4 eggs\nWhisk the eggs."}],
        "POST /api/plans": [{"formula_id": formulas[0]}],
        "POST /api/bakes": [{"formula_id": formulas[0], "client_key": "fuzz-fuzz"}],
        "PUT /api/kitchen": [server.ask("/api/kitchen")],
    }
