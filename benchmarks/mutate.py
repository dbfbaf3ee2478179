"""How well the tests hold: small faults are put into the code, one at a time, and the tests that run there must fail.

``./whisk mutate [PATH ...]`` takes a sample over the folders that compute, keep and write (or over the given paths), in
functions only: tables and field bounds are data, which their own tests hold against their sources. Each fault is tried
on the tests that are nearest to it. Faults come from the operators of Cosmic Ray. The same seed takes the same sample.
"""

from __future__ import annotations

import argparse
import ast
import hashlib
import json
import os
import random
import re
import shutil
import subprocess
import sys
import tempfile
import time
from collections import defaultdict
from collections.abc import Iterator, Sequence
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import Queue
from typing import Any, NamedTuple

from benchmarks.contexts import SECONDS

ROOT = Path(__file__).parents[1]
PACKAGE = ROOT / "src" / "kindwhisk"
WINGS = ("core", "bench", "store", "formats")
LEFT_OUT = (
    "store/migrations",
    "core/ingredients/table/",
    "core/ingredients/sr28.py",
    "core/ingredients/earlier.py",
    "core/reading/names/",
    "core/reading/units.py",
)
"""Frozen, or data throughout."""
COPIED = ("src", "tests")
TESTS = ("tests/core", "tests/bench", "tests/store", "tests/devices", "tests/api", "tests/formats", "tests/recorded")
SLOW = ("tests/api/test_contract.py", "tests/api/test_live.py")
"""They start servers: no fault is hunted with them."""
WHOLE = ("tests/api", "tests/bench", "tests/devices")
"""They try the whole product; the others are nearer to what computes."""
MAP = ROOT / ".mutate"
PLUGIN = ("-p", "_hypothesis_pytestplugin")
"""The one that these tests need: the others take two seconds to come up."""
OPERATORS = (
    "AddNot", "ReplaceAndWithOr", "ReplaceOrWithAnd", "ReplaceTrueWithFalse", "ReplaceFalseWithTrue", "NumberReplacer",
    "ReplaceBinaryOperator_Add_Sub", "ReplaceBinaryOperator_Sub_Add", "ReplaceBinaryOperator_Mul_Div",
    "ReplaceBinaryOperator_Div_Mul", "ReplaceBinaryOperator_Add_Mul", "ReplaceBinaryOperator_Pow_Mul",
    "ReplaceUnaryOperator_USub_UAdd", "ReplaceUnaryOperator_Delete_Not", "ZeroIterationForLoop",
    "ReplaceBreakWithContinue", "ReplaceContinueWithBreak",
    "ReplaceComparisonOperator_Lt_GtE", "ReplaceComparisonOperator_Lt_LtE", "ReplaceComparisonOperator_LtE_Gt",
    "ReplaceComparisonOperator_LtE_Lt", "ReplaceComparisonOperator_Gt_LtE", "ReplaceComparisonOperator_Gt_GtE",
    "ReplaceComparisonOperator_GtE_Lt", "ReplaceComparisonOperator_GtE_Gt", "ReplaceComparisonOperator_Eq_NotEq",
    "ReplaceComparisonOperator_NotEq_Eq", "ReplaceComparisonOperator_Is_IsNot", "ReplaceComparisonOperator_IsNot_Is",
)  # fmt: skip
"""Faults that keep the types: the type checker finds the others."""
BUDGET_S, PATIENCE_S = 20.0, 120.0
"""Of the tests that run a function, those that run the fewest others are tried, for so many seconds of testing in all;
what takes far longer than that hangs, which counts as found."""


class Fault(NamedTuple):
    """A place for a fault: module, operator, which of its places there, line, and the function that holds it."""

    module: str
    operator: str
    occurrence: int
    line: int
    function: str


class Result(NamedTuple):
    """What became of a fault: ``killed`` by a test, else the number of tests that let it pass."""

    fault: Fault
    killed: bool
    by: str
    tried: int
    change: str


def modules(paths: Sequence[str]) -> list[Path]:
    """The modules of these paths; of all wings without any."""
    roots = [Path(p).resolve() for p in paths] or [PACKAGE / wing for wing in WINGS]
    found = [f for root in roots for f in ([root] if root.is_file() else sorted(root.rglob("*.py")))]
    return [f for f in found if not any(str(f.relative_to(PACKAGE)).startswith(x) for x in LEFT_OUT)]


def functions(module: Path) -> list[tuple[str, int, int]]:
    """Every function of a module: its name with those around it, and the lines of its body without its docstring."""
    found: list[tuple[str, int, int]] = []

    def look(node: ast.AST, inside: str) -> None:
        for child in ast.iter_child_nodes(node):
            name = inside
            if isinstance(child, ast.FunctionDef | ast.AsyncFunctionDef | ast.ClassDef):
                name = f"{inside}.{child.name}" if inside else child.name
            if isinstance(child, ast.FunctionDef | ast.AsyncFunctionDef):
                first = child.body[0]
                told = isinstance(first, ast.Expr) and isinstance(first.value, ast.Constant)
                body = child.body[1:] if told else child.body
                if body:
                    found.append((name, body[0].lineno, child.end_lineno or body[-1].lineno))
            look(child, name)

    look(ast.parse(module.read_text()), "")
    return found


def inner_function(spans: Sequence[tuple[str, int, int]], line: int) -> str | None:
    """The innermost function whose body holds a line."""
    holding = [s for s in spans if s[1] <= line <= s[2]]
    return min(holding, key=lambda s: s[2] - s[1])[0] if holding else None


def faults(module: Path) -> Iterator[Fault]:
    """Every fault that can be put into the functions of a module."""
    from cosmic_ray.ast import ast_nodes, get_ast_from_path
    from cosmic_ray.plugins import get_operator

    spans, tree = functions(module), get_ast_from_path(module)
    for name in OPERATORS:
        operator = get_operator(f"core/{name}")()
        places = [start for node in ast_nodes(tree) for start, _ in operator.mutation_positions(node)]
        for occurrence, (line, _) in enumerate(places):
            function = inner_function(spans, line)
            if function is not None:
                yield Fault(str(module.relative_to(ROOT)), name, occurrence, line, function)


def mutated(fault: Fault) -> str | None:
    """The module with the fault in it; None where it can't be put there."""
    from cosmic_ray.mutating import mutate_code
    from cosmic_ray.plugins import get_operator

    source = (ROOT / fault.module).read_text()
    changed: str | None = mutate_code(source, get_operator(f"core/{fault.operator}")(), fault.occurrence)
    return None if changed == source else changed


def changed_line(fault: Fault, text: str) -> str:
    """The lines that differ, as ``was -> is``."""
    before, after = (ROOT / fault.module).read_text().splitlines(), text.splitlines()
    pairs = [(b.strip(), a.strip()) for b, a in zip(before, after, strict=False) if a != b]
    return "; ".join(f"{b} -> {a}" for b, a in pairs[:2]) or f"{fault.operator}"


class Reach(NamedTuple):
    """Which tests run a function (by module and name), and how many seconds each test takes."""

    tests: dict[str, list[str]]
    seconds: dict[str, float]

    def nearest(self, fault: Fault, budget_s: float) -> list[str]:
        """The tests for a fault: those that need no server and no disk first, and of them those that run the fewest
        functions beside this one; as many as time allows."""
        wide: dict[str, int] = defaultdict(int)
        for tests in self.tests.values():
            for test in tests:
                wide[test] += 1
        chosen: list[str] = []
        spent = 0.0
        known = self.tests.get(f"{fault.module}::{fault.function}", ())
        for test in sorted(known, key=lambda t: (t.startswith(WHOLE), wide[t])):
            if chosen and spent + self.seconds[test] > budget_s:
                continue
            chosen.append(test)
            spent += self.seconds[test]
        return chosen


def reach() -> Reach:
    """From a run under coverage; only files of tests that changed since are run again."""
    MAP.mkdir(exist_ok=True)
    kept = MAP / "map.json"
    known: dict[str, dict[str, Any]] = json.loads(kept.read_text()) if kept.exists() else {}
    found_files = [f for folder in TESTS for f in sorted((ROOT / folder).glob("test_*.py"))]
    files = {str(f.relative_to(ROOT)): _digest(f) for f in found_files}
    stale = [f for f, digest in files.items() if f not in SLOW and known.get(f, {}).get("digest") != digest]
    if stale:
        print(f"· running {len(stale)} files of tests under coverage, to know what they run", flush=True)
        runs, seconds = _under_coverage(stale)
        for f in stale:
            own = {test: s for test, s in seconds.items() if test.startswith(f"{f}::")}
            known[f] = {"digest": files[f], "runs": runs[f], "seconds": own}
        kept.write_text(json.dumps({f: known[f] for f in files if f in known}))
    tests: dict[str, set[str]] = defaultdict(set)
    took: dict[str, float] = {}
    for file in known.values():
        took |= file["seconds"]
        for function, own in file["runs"].items():
            tests[function] |= set(own)
    return Reach({function: sorted(own) for function, own in tests.items()}, took)


def _digest(file: Path) -> str:
    return hashlib.sha256(file.read_bytes()).hexdigest()


def _under_coverage(files: Sequence[str]) -> tuple[dict[str, dict[str, list[str]]], dict[str, float]]:
    """By file of tests, which of its tests run which function; and the seconds of each test."""
    from coverage import CoverageData

    settings, kept = MAP / "coveragerc", MAP / "data"
    settings.write_text(f"[run]\nsource = kindwhisk\ndata_file = {kept}\n")
    command = [sys.executable, "-m", "coverage", "run", f"--rcfile={settings}", "-m", "pytest", *files]
    command += ["-p", "benchmarks.contexts"]
    around = os.environ | {SECONDS: str(MAP / "seconds.json")}
    subprocess.run(
        [*command, "--hypothesis-seed=0", "-q"], cwd=ROOT, env=around, check=False, stdout=subprocess.DEVNULL
    )
    data = CoverageData(str(kept))
    data.read()
    found: dict[str, dict[str, set[str]]] = {f: defaultdict(set) for f in files}
    for measured in data.measured_files():
        module = Path(measured)
        if not module.is_relative_to(PACKAGE):
            continue
        spans, name = functions(module), str(module.relative_to(ROOT))
        for line, contexts in data.contexts_by_lineno(measured).items():
            function = inner_function(spans, line)
            for node in (c for c in contexts if c and function is not None):
                file = node.partition("::")[0]
                if file in found:
                    found[file][f"{name}::{function}"].add(node)
    runs = {f: {key: sorted(tests) for key, tests in own.items()} for f, own in found.items()}
    return runs, json.loads((MAP / "seconds.json").read_text())


class Bench:
    """A copy of the tree in which faults are tried, one after the other."""

    def __init__(self) -> None:
        self.folder = Path(tempfile.mkdtemp(prefix="kindwhisk-mutate-"))
        for own in ROOT.iterdir():
            if own.name in COPIED:
                shutil.copytree(own, self.folder / own.name, ignore=shutil.ignore_patterns("__pycache__"))
            elif not own.name.startswith("."):
                (self.folder / own.name).symlink_to(own)
        self.sound: set[str] = set()

    def run(self, tests: Sequence[str]) -> str | None:
        """What failed first; None if all passed. Taking too long counts as failing."""
        command = (sys.executable, "-m", "pytest", "-x", "-q", *PLUGIN, "--hypothesis-seed=0", *tests)
        around = os.environ | {"PYTHONPATH": str(self.folder / "src"), "PYTEST_DISABLE_PLUGIN_AUTOLOAD": "1"}
        try:
            done = subprocess.run(
                command, cwd=self.folder, env=around, timeout=PATIENCE_S, capture_output=True, text=True, check=False
            )
        except subprocess.TimeoutExpired:
            return "hangs"
        if done.returncode == 0:
            return None
        failed = re.search(r"^(?:FAILED|ERROR) (\S+?::\w+)", done.stdout, re.MULTILINE)
        return failed[1] if failed else "stopped"

    def try_out(self, fault: Fault, text: str, tests: Sequence[str]) -> Result:
        """Put the fault in, run tests, take it out."""
        own = self.folder / fault.module
        before = own.read_text()
        own.write_text(text)
        try:
            failed = self.run(tests)
        finally:
            own.write_text(before)
        if failed is not None and "::" in failed and failed not in self.sound:
            if self.run([failed]) is not None:
                raise RuntimeError(f"{failed} fails without any fault: mend it first.")
            self.sound.add(failed)
        return Result(fault, failed is not None, failed or "", len(tests), changed_line(fault, text))

    def close(self) -> None:
        """Away with it."""
        shutil.rmtree(self.folder, ignore_errors=True)


def sample(paths: Sequence[str], number: int, seed: int) -> list[Fault]:
    """So many faults, drawn from all that can be."""
    everything = [f for module in modules(paths) for f in faults(module)]
    random.Random(seed).shuffle(everything)
    return everything[:number]


def kept_results(file: Path) -> list[Result]:
    """What an earlier hunt wrote down."""
    return [Result(Fault(*row[:5]), *row[5:]) for row in json.loads(file.read_text())]


def hunt(drawn: Sequence[Fault], minutes: float, workers: int, budget_s: float) -> list[Result]:
    """Try them out, as many as fit into the time."""
    known = reach()
    ends, benches = time.monotonic() + 60 * minutes, Queue[Bench]()
    for _ in range(workers):
        benches.put(Bench())

    def one(fault: Fault) -> Result | None:
        text = mutated(fault)
        if text is None or time.monotonic() > ends:
            return None
        tests = known.nearest(fault, budget_s)
        if not tests:
            return Result(fault, False, "no test runs it", 0, changed_line(fault, text))
        bench = benches.get()
        try:
            result = bench.try_out(fault, text, tests)
        finally:
            benches.put(bench)
        print("killed  " if result.killed else "SURVIVED", f"{fault.module}:{fault.line}", result.change, flush=True)
        return result

    with ThreadPoolExecutor(workers) as pool:
        results = [r for r in pool.map(one, drawn) if r is not None]
    while not benches.empty():
        benches.get().close()
    return results


def main() -> None:
    """Sample, hunt, and say what survived."""
    parser = argparse.ArgumentParser(description=(__doc__ or "").split("\n", maxsplit=1)[0])
    parser.add_argument("paths", nargs="*", help="files or folders below src/kindwhisk")
    parser.add_argument("--number", type=int, default=300)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--minutes", type=float, default=60)
    parser.add_argument("--workers", type=int, default=os.cpu_count() or 2)
    parser.add_argument("--out", type=Path, default=MAP / "results.json")
    parser.add_argument("--budget", type=float, default=BUDGET_S, help="seconds of tests for each fault")
    parser.add_argument("--again", type=Path, help="results of a hunt: try only those that survived it")
    given: Any = parser.parse_args()
    before = kept_results(given.again) if given.again else []
    drawn = [r.fault for r in before if not r.killed] or sample(given.paths, given.number, given.seed)
    results = [r for r in before if r.killed] + hunt(drawn, given.minutes, given.workers, given.budget)
    killed = sum(r.killed for r in results)
    given.out.parent.mkdir(exist_ok=True)
    given.out.write_text(json.dumps([[*r.fault, *r[1:]] for r in results], indent=1))
    by_wing: dict[str, list[Result]] = defaultdict(list)
    for r in results:
        by_wing[Path(r.fault.module).relative_to("src/kindwhisk").parts[0]].append(r)
    for wing, own in sorted(by_wing.items()):
        print(f"{wing:8} {sum(r.killed for r in own):4} of {len(own):4} killed")
    share = 100 * killed / max(1, len(results))
    print(f"all      {killed:4} of {len(results):4} killed, {share:.0f} %, seed {given.seed}")


if __name__ == "__main__":
    main()
