"""A glaze: poured at 30 to 35 °C onto a cake that is frozen through, 1 to 2 mm thick, and a third more to run off."""

from __future__ import annotations

from kindwhisk.core.readiness.window import Content, Purpose, Ready, Side, State, Window, judged, window_for
from kindwhisk.core.values.model import Value

ON_BELOW_C = -15.0
G_PER_ML, THICK_MM, RUNS_OFF = 1.25, (1.0, 1.5, 2.0), 1 / 3

WINDOWS = {
    Purpose.POUR: Window(
        low_c=30,
        high_c=35,
        colder=Side(
            says="Too thick: it stays in folds.",
            do="Warm it to 40 °C, stir without air, let it come down to 33.",
            rescue="Warmed, it flows again; sieve the bubbles out.",
        ),
        warmer=Side(
            says="Too thin: it runs off and thaws the face.",
            do="Leave it, stir slowly now and then.",
            rescue="It only has to cool.",
        ),
        past_c=75,
        past=Side(
            says="Boiled: its gelatine weakens.", do="Make it anew, or add a little gelatine.", rescue="More gelatine."
        ),
    )
}


class GlazeNeed(Value):
    """Grams of a glaze: what stays on, and what has to be poured."""

    stays_g: float
    pour_g: float
    thickness_mm: float


def need(area_mm2: float, thickness_mm: float = THICK_MM[1]) -> GlazeNeed:
    """Area × thickness × 1.25, and a third more to run off."""
    stays = area_mm2 * thickness_mm * G_PER_ML / 1000
    return GlazeNeed(stays_g=stays, pour_g=stays * (1 + RUNS_OFF), thickness_mm=thickness_mm)


def ready(
    temperature_c: float, use: Purpose | None = None, *, on_c: float | None = None, air_c: float | None = None
) -> Ready:
    """Glaze to be poured, by its temperature and that of the cake's face (``on_c``)."""
    wanted, window = window_for(WINDOWS, use)
    told = judged(Content.GLAZE, wanted, window, temperature_c, air_c)
    if told.state is State.RIGHT and on_c is not None and on_c > ON_BELOW_C:
        return told.model_copy(
            update={
                "state": State.NOT_YET,
                "says": f"The cake is at {on_c:.0f} °C: on less than {-ON_BELOW_C:.0f} below zero it slides off.",
                "do": "Freeze the cake through, wipe the frost off, glaze at once.",
                "rescue": "What ran off: warm it, sieve it, pour it again.",
            }
        )
    return told
