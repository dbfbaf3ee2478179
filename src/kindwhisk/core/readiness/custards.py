"""Egg and starch: curd sets at 80 to 83 °C; a starch custard has to boil for a minute, or it thins again."""

from __future__ import annotations

from kindwhisk.core.readiness.window import Content, Purpose, Ready, Side, State, Window, judged, window_for

CURD_SETS_C, CURD_SCRAMBLES_C = (80.0, 83.0), 85.0
THICKENS_C, BOILS_C, BOIL_S = 80.0, 97.0, 60.0
"""Starch thickens from the first; at the boil for a minute the yolk's amylase is gone. Recalled."""

_WARM = Side(
    says="Still warm: it runs, and melts a cream.",
    do="Covered with film on its face, into the cold; stir once.",
    rescue="It only has to cool.",
)
_FIRM = Side(
    says="Cold through: firm.",
    do="Beat it smooth by hand before it goes on.",
    rescue="Beaten, it is smooth again; frozen, a custard of starch weeps and stays so.",
)
_COLD = Window(low_c=1, high_c=20, colder=_FIRM, warmer=_WARM)
_FOLDS = Window(low_c=8, high_c=25, colder=_FIRM, warmer=_WARM)
_POURS = Window(
    low_c=30,
    high_c=60,
    colder=Side(
        says="Set already: it breaks when it is poured.", do="Warm it gently to 40 °C.", rescue="Warmed, it flows."
    ),
    warmer=Side(says="Hot: it soaks a base.", do="Let it cool to 60 °C.", rescue="It only has to cool."),
)
WINDOWS = {Purpose.SPREAD: _COLD, Purpose.PIPE: _COLD, Purpose.FOLD: _FOLDS, Purpose.POUR: _POURS}


def curd(
    temperature_c: float, use: Purpose | None = None, *, cooking: bool = False, air_c: float | None = None
) -> Ready:
    """Curd on the heat (``cooking``), or for a use."""
    wanted, window = window_for(WINDOWS, use)
    told = judged(Content.CURD, wanted, window, temperature_c, air_c)
    if temperature_c >= CURD_SCRAMBLES_C:
        return told.model_copy(
            update={
                "state": State.PAST,
                "says": f"Above {CURD_SCRAMBLES_C:.0f} °C egg turns to grains.",
                "do": "Off the heat, into a cold bowl, stir.",
                "rescue": "A few grains: through a sieve, a stick blender. Scrambled: begin again.",
                "minutes": None,
            }
        )
    if cooking:
        low, high = CURD_SETS_C
        there = temperature_c >= low
        return told.model_copy(
            update={
                "state": State.RIGHT if there else State.NOT_YET,
                "says": f"Curd sets at {low:.0f} to {high:.0f} °C.",
                "do": "Off the heat at once, through a sieve." if there else "Stir to the bottom all the time.",
                "rescue": "Nothing to bring back.",
                "minutes": None,
            }
        )
    return told


def custard(
    temperature_c: float,
    use: Purpose | None = None,
    *,
    cooking: bool = False,
    boiled_s: float | None = None,
    air_c: float | None = None,
) -> Ready:
    """Custard with starch on the heat, or for a use; ``boiled_s`` is how long it has boiled."""
    wanted, window = window_for(WINDOWS, use)
    told = judged(Content.CUSTARD, wanted, window, temperature_c, air_c)
    if cooking:
        done = temperature_c >= BOILS_C and (boiled_s or 0.0) >= BOIL_S
        says = (
            "It has boiled through."
            if done
            else f"It thickens from {THICKENS_C:.0f} °C; taken off now it thins again."
            if temperature_c >= THICKENS_C
            else f"It thickens from {THICKENS_C:.0f} °C."
        )
        return told.model_copy(
            update={
                "state": State.RIGHT if done else State.NOT_YET,
                "says": says,
                "do": "Out, thin on a cold tray, film on its face."
                if done
                else "Stir to the bottom; let it bubble for a whole minute.",
                "rescue": "Lumps: through a sieve. Thin after cooling: boil it again for a minute.",
                "minutes": None,
                "source": "recalled",
            }
        )
    if boiled_s is not None and boiled_s < BOIL_S:
        return told.model_copy(
            update={
                "state": State.NOT_YET,
                "says": f"Boiled for {boiled_s:.0f} s only: the yolk thins it again over night.",
                "do": "Boil it up for a whole minute.",
                "rescue": "Boiled again, it thickens and stays.",
            }
        )
    return told
