"""How long a content that stands in the kitchen stays right for what it is for."""

from __future__ import annotations

from kindwhisk.core.foams.foam import Foam, hold_s
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.readiness import cream
from kindwhisk.core.readiness.ready import WINDOWS
from kindwhisk.core.readiness.recognise import content_of, known_of
from kindwhisk.core.readiness.window import Content, Purpose, minutes_to, window_for
from kindwhisk.core.values.estimate import Estimate

DAY_S = 24 * 3600.0


def lasts_s(material: Material, use: Purpose, air_c: float) -> Estimate | None:
    """Seconds that it stays right, standing at the kitchen's warmth (cream: in the cold); None where for hours."""
    content = content_of(material)
    if content is None:
        return None
    if content is Content.CREAM:
        return cream.keeps_s(stabilised=known_of(material).stabilised)
    if content is Content.MOUSSE:
        return hold_s(Foam.MOUSSE)
    _, window = window_for(WINDOWS[content], use)
    now = material.temperature_c
    if not window.low_c <= now <= window.high_c:
        return None
    past = window.low_c if air_c < window.low_c else window.high_c if air_c > window.high_c else None
    minutes = None if past is None else minutes_to(now, past, air_c)
    return None if minutes is None or minutes.likely * 60 > DAY_S else minutes.scaled(60)
