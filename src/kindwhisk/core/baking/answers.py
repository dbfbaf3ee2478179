"""What a baker asks before a bake: this in another tin, hotter, with a fan, on two racks. Each is a bake of its own."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from typing import Any, NamedTuple

from kindwhisk.core.baking.course import InOven
from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.baking.predict import Prediction, done_s, predict, stretched
from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.baking.risks import Risk, risks
from kindwhisk.core.ovens.air import Opening
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

HOTTER_K, DOOR_S = 20.0, 30.0
WITHIN_RIM = 0.85
"""A batter that stands higher than this share of another tin's depth is no answer. Trade habit."""


class WhatIf(NamedTuple):
    """A bake beside the one that is asked about; ``why`` is what makes it differ."""

    id: str
    asks: str
    content: InOven
    why: str
    loads: int = 1


class Answer(Value):
    """A question with its prediction. ``more_min`` is what it takes more than the bake itself (negative: less);
    ``says`` adds what follows from it; ``cannot`` stands in its place where it is never done."""

    id: str
    asks: str
    why: str
    says: str = ""
    cannot: str = ""
    made: Prediction | None = None
    more_min: float | None = None
    risks: tuple[Risk, ...] = ()


def _air(content: InOven, **changes: Any) -> InOven:
    return content.model_copy(update={"air": content.air.model_copy(update=changes)})


def in_tin(content: InOven, tin: Tin) -> InOven | None:
    """The same batter, all of it, in another tin; None where it would not stay in it."""
    level = tin.level_mm(content.tin.volume_ml(content.fill_mm))
    if level > WITHIN_RIM * tin.depth_mm:
        return None
    return content.model_copy(update={"tin": tin, "fill_mm": level})


def questions(content: InOven, shelf: Sequence[tuple[str, Tin]] = (), trays: int = 1) -> Iterator[WhatIf]:
    """What is asked of a bake; ``shelf`` are tins by name, ``trays`` how many of it there are."""
    air = content.air
    if not content.free:
        for name, tin in shelf:
            other = None if tin == content.tin else in_tin(content, tin)
            if other is not None:
                yield WhatIf(
                    f"tin {name}", f"In the {name}", other, f"It stands {other.fill_mm:.0f} mm deep instead of "
                    f"{content.fill_mm:.0f}."
                )  # fmt: skip
        yield _half_size(content)
        yield WhatIf(
            "deeper",
            "Twice as deep",
            _air(content.model_copy(update={"fill_mm": content.fill_mm * 2}), load_kg=air.load_kg * 2),
            "Time grows roughly with depth: heat comes from above and below, and steam takes much of it.",
        )
    for sign, word in ((1, "hotter"), (-1, "cooler")):
        to = air.holds_c + sign * HOTTER_K
        if 60 <= to <= 300:
            yield WhatIf(
                word,
                f"{HOTTER_K:.0f} °C {word}",
                _air(content, holds_c=to),
                "The crust follows the oven, the middle follows its own water at 100 °C.",
            )
    other_mode = OvenMode.STATIC if content.mode is OvenMode.FAN else OvenMode.FAN
    yield WhatIf(
        "mode",
        "With the fan" if other_mode is OvenMode.FAN else "Without the fan",
        content.model_copy(update={"mode": other_mode}),
        "Moving air brings nearly three times as much heat to a surface as still air; radiation stays.",
    )
    if content.wall is TinWall.BRIGHT and not content.free:
        yield WhatIf(
            "dark",
            "In a dark tin",
            content.model_copy(update={"wall": TinWall.DARK}),
            "A dark wall takes up three times the radiation of a bright one.",
        )
    if trays > 1 or content.free:
        yield from _on_racks(content, max(trays, 3))
    yield WhatIf(
        "door",
        f"Door open for {DOOR_S:.0f} s half way",
        _opened(content),
        "The hot air is lost at once and takes minutes to recover.",
    )
    yield WhatIf(
        "cold-oven",
        "Into a cold oven",
        _air(content, starts_c=air.kitchen_c),
        f"The oven rises by {air.rise_k_per_min:.0f} °C a minute meanwhile; a foam ages as it waits for the heat.",
    )


def _half_size(content: InOven) -> WhatIf:
    tin = content.tin.half_size()
    half = content.model_copy(update={"tin": tin, "fill_mm": tin.level_mm(content.tin.volume_ml(content.fill_mm) / 2)})
    return WhatIf(
        "two-halves",
        "In two tins of half the size",
        half,
        "As deep, but nearer to a wall: both stand in the oven together.",
    )


def _on_racks(content: InOven, trays: int) -> Iterator[WhatIf]:
    loads = math.ceil(trays / 2)
    yield WhatIf(
        "two-racks",
        f"{trays} trays on two racks",
        _air(content.model_copy(update={"racks": 2}), load_kg=content.air.load_kg * 2),
        "Each tray shades the other: from above the lower one, from below the upper one.",
        loads,
    )


def _opened(content: InOven) -> InOven:
    return _air(content, openings=(Opening(at_s=done_s(content) / 2, seconds=DOOR_S),))


def _says(question: WhatIf, made: Prediction) -> str:
    said = []
    if question.loads > 1:
        likely = made.done_s.likely / 60
        said.append(f"{question.loads} loads one after the other, about {likely * question.loads:.0f} min in all.")
    if question.content.racks > 1:
        when = f" at {made.turn_s / 60:.0f} min" if made.turn_s is not None else ", but not before it has set"
        said.append(f"Change the racks over{when}.")
    return " ".join(said)


def answer(question: WhatIf, reference: ReferenceBake | None, base: Prediction, own: float = 1.0) -> Answer:
    """The answer to a question, against the bake itself; ``own`` is what this kitchen takes of the model's time."""
    try:
        made = predict(question.content, reference)
    except CraftError as refusal:
        return Answer(
            id=question.id, asks=question.asks, why=question.why, cannot=f"{refusal.message} {refusal.remedy}"
        )
    if own != 1.0:
        made = stretched(question.content, made.course, made.done_s.scaled(own), made.factor, made.browned)
    return Answer(
        id=question.id,
        asks=question.asks,
        why=question.why,
        says=_says(question, made),
        made=made,
        more_min=made.done_s.likely / 60 - base.done_s.likely * own / 60,
        risks=risks(question.content, made),
    )


def answers(
    content: InOven,
    reference: ReferenceBake | None,
    base: Prediction,
    shelf: Sequence[tuple[str, Tin]] = (),
    trays: int = 1,
    own: float = 1.0,
) -> tuple[Answer, ...]:
    """All answers about a bake.

    Raises:
        CraftError: the bake itself is never done.
    """
    return tuple(answer(q, reference, base, own) for q in questions(content, shelf, trays))
