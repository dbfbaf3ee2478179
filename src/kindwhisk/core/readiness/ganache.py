"""Ganache: poured at 30 to 34 °C, piped at 22 to 26; broken when overheated or shaken up, and mended with warm milk."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.readiness.window import Content, Purpose, Ready, Side, State, Window, judged, window_for
from kindwhisk.core.values.model import Value


class Chocolate(StrEnum):
    """Kinds of chocolate, by how much of it a ganache needs."""

    DARK = "dark"
    MILK = "milk"
    WHITE = "white"


TIMES = {Chocolate.DARK: 1.0, Chocolate.MILK: 1.3, Chocolate.WHITE: 1.7}
POURS, FILLS, MOULDS = 1.0, 1.3, 2.0
"""Dark chocolate of 60 % to cream by weight, from which it pours, fills, moulds; others times the above. Habit."""
MELTS_BELOW_C = {Chocolate.DARK: 50.0, Chocolate.MILK: 45.0, Chocolate.WHITE: 45.0}
DULL_C = 60.0
SAUCE = "stays a sauce"

_STIFF = Side(
    says="Too stiff: it tears or blocks the tip.",
    do="Warm the bowl for seconds over water, stirring from the middle.",
    rescue="Warmed gently it is as before.",
)
_PAST = Side(
    says=f"Overheated: above {DULL_C:.0f} °C it turns dull and oily.",
    do="Off the heat, let it cool to 35 °C, then stir.",
    rescue="Broken (oily, grainy): a spoon of warm milk, stirred in from the middle. The shine does not come back.",
)


def _window(low: float, high: float, loose: str) -> Window:
    return Window(
        low_c=low,
        high_c=high,
        colder=_STIFF,
        warmer=Side(says=loose, do="Leave it, stir now and then.", rescue="It only has to cool."),
        past_c=DULL_C,
        past=_PAST,
    )


WINDOWS = {
    Purpose.PIPE: _window(22, 26, "Too loose: it runs from the tip."),
    Purpose.SPREAD: _window(24, 29, "Too loose to stay where it is spread."),
    Purpose.POUR: _window(30, 34, "Too thin: it runs off and shows the crumb."),
    Purpose.FOLD: _window(26, 32, "Warm enough to melt the cream that is folded in."),
}


class Firmness(Value):
    """What a ratio of chocolate to cream gives when it is cold, and the ratios from which the next begins."""

    gives: str
    pours_from: float
    fills_from: float
    moulds_from: float


def firmness(chocolate_to_cream: float, chocolate: Chocolate = Chocolate.DARK) -> Firmness:
    """What a ganache is good for by its ratio."""
    times = TIMES[chocolate]
    steps = (POURS * times, FILLS * times, MOULDS * times)
    middle = [(steps[0] + steps[1]) / 2, (steps[1] + steps[2]) / 2]
    gives = "pours" if chocolate_to_cream < middle[0] else "fills" if chocolate_to_cream < middle[1] else "moulds"
    if chocolate_to_cream < 0.6 * steps[0]:
        gives = SAUCE
    return Firmness(gives=gives, pours_from=steps[0], fills_from=steps[1], moulds_from=steps[2])


def unfit(use: Purpose, ratio: float, chocolate: Chocolate) -> str:
    """Why a ratio of chocolate to cream does not suit a use once it is cold; empty where it does."""
    told = firmness(ratio, chocolate)
    stays = f"With {ratio:.1f} of {chocolate.value} chocolate to 1 of cream it"
    if use in {Purpose.PIPE, Purpose.SPREAD} and told.gives == SAUCE:
        return f"{stays} stays a sauce: it fills from {told.fills_from:.1f} on."
    if use is Purpose.POUR and told.gives == "moulds":
        return f"{stays} sets hard: it pours from {told.pours_from:.1f} to {told.fills_from:.1f}."
    return ""


# What is known of a bowl of ganache: each of it optional.
def ready(
    temperature_c: float,
    use: Purpose | None = None,
    *,
    chocolate: Chocolate = Chocolate.DARK,
    ratio: float | None = None,
    broken: bool = False,
    air_c: float | None = None,
) -> Ready:
    """Ganache for a use, by its temperature and its ``ratio`` of chocolate to cream; ``broken`` is oily or grainy."""
    wanted, window = window_for(WINDOWS, use)
    told = judged(Content.GANACHE, wanted, window, temperature_c, air_c)
    if broken:
        return told.model_copy(
            update={
                "state": State.PAST,
                "says": "Broken: oily or grainy.",
                "do": "Warm it to about 35 °C.",
                "rescue": "A spoon of warm milk, stirred in from the middle in small circles; once more if need be.",
                "minutes": None,
            }
        )
    if ratio is not None and (why := unfit(wanted, ratio, chocolate)):
        told = told.model_copy(update={"says": f"{told.says} {why}"})
    limit = MELTS_BELOW_C[chocolate]
    if limit < temperature_c < DULL_C:
        return told.model_copy(
            update={"says": f"{told.says} {chocolate.value.capitalize()} chocolate is melted below {limit:.0f} °C."}
        )
    return told
