"""A mousse set by gelatine: cream goes in at 25 to 30 °C, it sets from 18 °C down, and some raw fruit never lets it."""

from __future__ import annotations

from collections.abc import Iterable

from kindwhisk.core.readiness.window import Content, Purpose, Ready, Side, State, Window, judged, window_for
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

WEAK_FROM_C = 85.0
SPOONED, CUT = (0.008, 0.012), (0.012, 0.016)
"""Share of the whole that is gelatine: a mousse eaten with a spoon, and one that is cut. Trade habit."""
FOLDS_C, SETS_C = (25.0, 30.0), 18.0
CM_PER_HOUR = 2.0
FULL_H = (12.0, 15.0, 18.0)
"""It sets some 2 cm deep in an hour at 4 °C; full strength after so many hours. Trade habit."""
NEVER_SETS = ("kiwi", "pineapple", "papaya", "fig", "guava", "ginger")
"""Raw fruit whose enzyme takes gelatine apart. Published; heated to 80 °C for some minutes it no longer does."""
HEATED = ("canned", "candied", "cooked")

_SET = Side(
    says=f"It sets from {SETS_C:.0f} °C down: folded now it makes threads and lumps.",
    do="Before cream is in: the bowl over warm water for seconds, to 28 °C, stirring.",
    rescue="Before the cream: warmed and stirred it is smooth. With cream in it: take it as it is, it can't be melted.",
)
WINDOWS = {
    Purpose.FOLD: Window(
        low_c=FOLDS_C[0],
        high_c=FOLDS_C[1],
        colder=_SET,
        warmer=Side(
            says="Warm enough to melt the cream.",
            do="Stir it over cold water to 28 °C.",
            rescue="It only has to cool; stir, so that it does not set at the wall.",
        ),
        past_c=WEAK_FROM_C,
        past=Side(
            says="Boiled, gelatine loses its strength.",
            do="Add a fifth more of it, bloomed and melted.",
            rescue="More gelatine brings the strength back.",
        ),
    ),
    Purpose.POUR: Window(
        low_c=SETS_C,
        high_c=26,
        colder=_SET,
        warmer=Side(says="Thin: it runs under a wall.", do="Stir it over cold water.", rescue="It only has to cool."),
    ),
}


def never_sets(fruit: Iterable[str]) -> str | None:
    """The first of these fruits whose enzyme takes gelatine apart, by its name; None where none does."""
    raw = next((f for f in fruit if any(n in f for n in NEVER_SETS) and not any(h in f for h in HEATED)), None)
    return None if raw is None else raw.split("-")[0]


class Setting(Value):
    """How a mousse sets: hours until it may be unmoulded, what it weighs in gelatine, and what speaks against it."""

    hours: Estimate
    share: float
    says: str
    never: bool


def sets(thickness_mm: float, share: float, fruit: tuple[str, ...] = (), *, to_cut: bool = True) -> Setting:
    """Hours at 4 °C until a mousse holds: by its thickness from both faces, its gelatine, and the fruit in it."""
    raw = never_sets(fruit)
    wanted = CUT if to_cut else SPOONED
    deep = thickness_mm / 10 / CM_PER_HOUR
    hours = Estimate(
        low=max(1.0, deep),
        likely=max(2.5, 1.6 * deep),
        high=max(4.0, 2.5 * deep),
        basis=Basis.HABIT,
    )
    eaten = "to be cut" if to_cut else "for a spoon"
    if share < wanted[0]:
        says = f"{share:.1%} of gelatine is little: {wanted[0]:.1%} to {wanted[1]:.1%} {eaten}."
    elif share > wanted[1]:
        says = f"{share:.1%} of gelatine makes it rubbery: {wanted[0]:.1%} to {wanted[1]:.1%} are enough."
    else:
        says = f"{share:.1%} of gelatine holds it {eaten}."
    if raw is not None:
        says = f"Raw {raw} takes gelatine apart: it never sets. Heat the fruit to 80 °C first. {says}"
    return Setting(hours=hours, share=share, says=says, never=raw is not None)


def ready(
    temperature_c: float, use: Purpose | None = None, *, fruit: tuple[str, ...] = (), air_c: float | None = None
) -> Ready:
    """A mousse or its base for a use, by its temperature and the fruit in it."""
    wanted, window = window_for(WINDOWS, use)
    told = judged(Content.MOUSSE, wanted, window, temperature_c, air_c)
    raw = never_sets(fruit)
    if raw is not None:
        return told.model_copy(
            update={
                "state": State.PAST,
                "says": f"Raw {raw} takes gelatine apart: it never sets.",
                "do": "Heat the fruit to 80 °C for five minutes, or take tinned fruit.",
                "rescue": "Nothing, once it is in: serve it from a glass.",
                "minutes": None,
                "source": "published",
            }
        )
    return told
