"""Minutes that stand for a warmth: “cool for five minutes, then spread the cream”."""

from __future__ import annotations

import re
from collections.abc import Iterator

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.hand import HandStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.roll import RollStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.readiness.cream import CRUMB_C, MELTS_C
from kindwhisk.core.reading.method.figures import times
from kindwhisk.core.reading.method.following import Followed
from kindwhisk.core.reading.method.joined import JoinStep
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.remarks.remark import Level, Remark

TOO_SOON_MIN = 15.0
"""No cake or sheet is cool enough for cream after so few minutes. The bake's reference model: 25 to 35 for a sheet."""
UNTIL_COLD = re.compile(
    r"complete|cold|fully|until (?:it is |they are |just )?cool|to cool(?: down)?\.?$|leave to cool|let (?:it |them )?cool\.?$|"
    r"wire rack|froid|refroid|freddo|raffredd|冷|nguội"
)
"""Words by which it waits for more than the minutes that stand beside them."""
BETWEEN = (RestStep, CoolStep, TurnOutStep, HandStep, RollStep)
"""What may come between the oven and the cream."""


def _creamy(made: Made) -> bool:
    return any(ingredient(i).kind == "dairy" for i in made.raw_ids) and not made.baked


def _thin(bake: Made) -> bool:
    """Whether it is pieces, which cool while one looks."""
    return any(m.kind is PipeStep for m in bake.upstream())


def _minutes(followed: Followed, made: Made, bake: Made) -> tuple[float, str] | None:
    """The time that its own sentences tell, in minutes, and where; None where it is until cold."""
    for n in made.said:
        text = followed.sentences[n].text if n < len(followed.sentences) else ""
        said = plain(text)
        if n in bake.said or UNTIL_COLD.search(said):
            continue
        found = times(said)
        if found:
            return max(f.high for f in found), text
    return None


def on_cooling(followed: Followed) -> Iterator[Remark]:
    """A cream that is told to meet a crumb after a few minutes: which warmth is meant, and why."""
    for made in followed.made:
        if made.kind is not JoinStep or not any(_creamy(u.made) for u in made.uses):
            continue
        cake = next((u.made for u in made.uses if u.made.baked), None)
        waits: list[Made] = []
        while cake is not None and cake.kind in BETWEEN:
            waits += [cake] if cake.kind in {RestStep, CoolStep} else []
            cake = next((u.made for u in cake.uses if u.made.baked), None)
        if cake is None or cake.kind is not BakeStep or not waits or _thin(cake):
            continue
        told = [_minutes(followed, w, cake) for w in waits]
        if any(t is None for t in told):
            # One of its waits has no time: until it is cold.
            continue
        minutes, where = max(t for t in told if t is not None)
        if minutes <= TOO_SOON_MIN:
            yield Remark(
                id="minutes-for-warmth", level=Level.RISK, where=where[:160],
                text=f"{minutes:.0f} minutes out of the oven are told; what is meant is a crumb below {CRUMB_C:.0f} °C.",
                consequence=f"A sheet takes 25 to 35 minutes to that, a cake far longer; from {MELTS_C:.0f} °C cream melts. "
                "At the bench its core decides, not the clock.",
            )  # fmt: skip
