"""What can tell of a cause: figures that a record holds, and things that only somebody who was there can say."""

from __future__ import annotations

from collections.abc import Mapping
from types import MappingProxyType

from pydantic import Field

from kindwhisk.core.values.model import Value


class Sign(Value):
    """Something that tells of a cause.

    ``name`` is what is measured, in ``unit``; ``high`` and ``low`` say what a value beyond the usual means. A sign
    with ``asks`` is a question with yes or no for an answer; ``yes`` and ``no`` say what each of them states.
    ``measure`` tells how it is measured the next time.
    """

    key: str
    name: str
    unit: str = ""
    high: str = ""
    low: str = ""
    asks: str = ""
    yes: str = ""
    no: str = ""
    measure: str = ""

    @property
    def is_question(self) -> bool:
        """Whether it is answered with yes or no."""
        return bool(self.asks)


def _measured(key: str, name: str, unit: str, high: str, low: str, measure: str) -> Sign:
    return Sign(key=key, name=name, unit=unit, high=high, low=low, measure=measure)


def _asked(key: str, asks: str, yes: str, no: str) -> Sign:
    return Sign(key=key, name=yes, asks=asks, yes=yes, no=no)


_SIGNS = (
    _measured("foam-density", "the foam", "g/ml", "heavier than usual", "lighter than usual",
              "Weigh a cup of the foam when it is done."),
    _measured("batter-density", "the batter", "g/ml", "heavier than usual", "lighter than usual",
              "Weigh a cup of the batter before it is filled."),
    _measured("kept-air", "air kept in the fold", "%", "more than usual", "less than usual",
              "Weigh a cup of the foam and one of the batter."),
    _measured("fold-time", "folding", "min", "longer than usual", "shorter than usual",
              "Confirm the fold when it is over, not later."),
    _measured("whip-time", "time on the whisk", "min", "longer than usual", "shorter than usual",
              "Start and end the whisk on the page."),
    _measured("waited", "wait before the oven", "min", "longer than it holds", "within what it holds",
              "Confirm each step when it is over: the wait counts itself."),
    _measured("bake-time", "time in the oven", "min", "longer than forecast", "shorter than forecast",
              "Start and end the bake on the page."),
    _measured("core", "the core at the end", "°C", "hotter than it has to be", "not there yet",
              "Read a probe in the middle before it is taken out."),
    _measured("oven-held", "the oven against its setting", "K", "hotter than set", "cooler than set",
              "Read a thermometer in the oven ten minutes after the door was closed."),
    _measured("loss", "weight lost in the oven", "%", "more than usual", "less than usual",
              "Weigh the tin when it is filled and when it is done."),
    _measured("fat-c", "the fat when it went in", "°C", "warmer than it should be", "colder than it should be",
              "Read the fat just before it is folded in."),
    _measured("whites-c", "the whites when they went on the whisk", "°C", "warmer than usual", "colder than usual",
              "Read the whites before they are whisked."),
    _measured("syrup-c", "the syrup when it was poured", "°C", "hotter than it should be",
              "cooler than it should be", "Read the syrup as it leaves the flame."),
    _measured("out-c", "the crumb when it was turned out", "°C", "warmer than it should be", "cool enough",
              "Read the middle before it is turned out."),
    _measured("cooled", "time upside down or on the rack", "min", "longer than planned", "shorter than planned",
              "Confirm when it is turned out."),
    _measured("skin-time", "rest against what the skin needs in this air", "%", "longer than it needs",
              "shorter than it needs", "Say what a finger feels at each touch, and what the air's humidity is."),
    _measured("humidity", "humidity of the room", "%", "damper than usual", "drier than usual",
              "Type what a hygrometer shows."),
    _measured("room-c", "the kitchen", "°C", "warmer than usual", "cooler than usual",
              "Type how warm the kitchen is."),
    _measured("strain", "strain of the roll's outer face", "%", "more than this kitchen's sheets stand",
              "less than this kitchen's sheets stand", "Enter the sheet's thickness where it is spread."),
    _measured("fill", "how full the tin was", "%", "fuller than it should be", "less full than it should be",
              "Choose the tin that it is really baked in."),
    _measured("liquid", "liquid in the batter", "%", "more than this class takes", "less than this class takes",
              "Enter the formula with its weights."),
    _measured("sugar", "sugar in the batter or meringue", "%", "more than this class takes",
              "less than this class takes", "Enter the formula with its weights."),
    _measured("soak", "soak", "%", "more than this crumb holds", "no more than this crumb holds",
              "Weigh what was soaked in."),
    _measured("colour", "colour in the batter", "%", "more than a skin stands", "no more than a skin stands",
              "Weigh the colour."),
    _measured("matured", "time filled", "h", "longer than usual", "shorter than usual",
              "Confirm when they go into and come out of the cold."),
    _asked("door", "Was the door opened before it had set?", "the door was opened before it had set",
           "the door stayed shut until it had set"),
    _asked("hung", "Did it hang upside down, in the tin, until it was cold?", "it hung until it was cold",
           "it did not hang until it was cold"),
    _asked("greased", "Was the tin's wall greased or lined where the batter should cling?",
           "the wall was greased or lined", "the wall was bare"),
    _asked("lined", "Was all that touches it lined or oiled?", "everything was lined", "lining was missed"),
    _asked("base-smooth", "Was the base smooth and even before the foam came to it?", "the base was smooth",
           "the base was lumpy or split"),
    _asked("knocked", "Was it knocked on the bench before the oven?", "it was knocked", "it was not knocked"),
    _asked("slow-finish", "Did the whisk run slowly for the last minutes?", "the whisk finished slowly",
           "the whisk ran fast to the end"),
    _asked("lumps", "Were lumps of white left when it was filled?", "lumps of white were left",
           "no lumps were left"),
    _asked("clotted", "Did the whites look dry or clotted?", "the whites looked dry or clotted",
           "the whites were glossy"),
    _asked("one-place", "Was the fat or base poured in one place?", "it was poured in one place",
           "it was spread over the foam or lightened first"),
    _asked("flour-beaten", "Was flour beaten in with a machine, or for long?", "flour was beaten in",
           "flour was folded in briefly"),
    _asked("strong-flour", "Was it a bread flour?", "it was a strong flour", "it was a soft flour"),
    _asked("rack-high", "Did it stand in the upper half of the oven?", "it stood high in the oven",
           "it stood in the middle or below"),
    _asked("rack-low", "Did it stand near the floor of the oven?", "it stood low in the oven",
           "it stood in the middle or above"),
    _asked("dark-tin", "Is the tin dark?", "the tin is dark", "the tin is bright"),
    _asked("rolled-warm", "Was it rolled once while warm?", "it had a first roll while warm",
           "it had no first roll"),
    _asked("covered-warm", "Was it covered while it was still warm?", "it was covered while warm",
           "it cooled uncovered"),
    _asked("grains", "Could grains of sugar be felt in the meringue before it was shaped?", "grains could be felt",
           "it was smooth between the fingers"),
    _asked("fat-in-bowl", "Could there have been fat or yolk in the whites or the bowl?",
           "there may have been fat or yolk in the bowl", "bowl and whites were clean"),
    _asked("sugar-early", "Did the sugar go in at once, or before a foam had formed?",
           "the sugar went in early or at once", "the sugar went in bit by bit, once there was a foam"),
    _asked("sugar-late", "Did the sugar go in when the whites were stiff already?", "the sugar went in late",
           "the sugar went in before the whites were stiff"),
    _asked("on-the-whisk", "Did the syrup run onto the turning whisk?", "the syrup ran onto the whisk",
           "the syrup ran down between whisk and wall"),
    _asked("poured-fast", "Did the syrup go in within a few seconds?", "the syrup was poured fast",
           "the syrup ran in a thin thread"),
    _asked("whites-soft", "Did the meringue still droop when it was used?", "the meringue still drooped",
           "the meringue stood up"),
    _asked("runny", "Did the batter run flat within ten seconds?", "the batter ran flat at once",
           "the batter held its shape for a while"),
    _asked("stiff-batter", "Did the batter keep its ridges for half a minute?", "the batter kept its ridges",
           "the batter's ridges sank in"),
    _asked("dry-touch", "Could a finger move the skin without sticking?", "a finger could move the skin",
           "the skin still stuck to a finger"),
    _asked("fan-side", "Do they lean away from the fan or the hot side?", "they lean from the fan or the hot side",
           "they lean every way"),
    _asked("aslant", "Was the bag held aslant?", "the bag was held aslant", "the bag was held upright"),
    _asked("flat-tray", "Do trays and mats lie flat when hot?", "trays and mats lie flat",
           "a tray or mat warps when hot"),
    _asked("oily-nuts", "Did the ground nuts feel oily or warm?", "the nuts were oily or warm",
           "the nuts were dry and cool"),
    _asked("liquid-colour", "Was a liquid colour used?", "a liquid colour was used", "the colour was paste or powder"),
    _asked("wet-filling", "Is the filling wet: curd, jam, fresh fruit?", "the filling is wet",
           "the filling is dry"),
    _asked("lifted-cold", "Were they lifted only when cold?", "they were lifted cold", "they were lifted warm"),
)  # fmt: skip

SIGNS: Mapping[str, Sign] = MappingProxyType({sign.key: sign for sign in _SIGNS})
"""Every sign by its key. Trade habit."""


class Seen(Value):
    """What a record holds of a sign: its ``value`` with the usual range, or a yes or no.

    ``off`` is by how many standard deviations the value lies above (below 0: below) what was to be expected.
    """

    sign: str
    value: float | None = Field(default=None, allow_inf_nan=False)
    low: float | None = Field(default=None, allow_inf_nan=False)
    high: float | None = Field(default=None, allow_inf_nan=False)
    off: float | None = Field(default=None, ge=-40, le=40, allow_inf_nan=False)
    yes: bool | None = None
    step: str = ""

    @property
    def said(self) -> str:
        """What it says, in plain words and numbers."""
        sign = SIGNS[self.sign]
        if self.yes is not None:
            return sign.yes if self.yes else sign.no
        if self.value is None or self.off is None:
            return sign.name
        digits = _digits(self.value)
        figures = f"{sign.name}: {self.value:.{digits}f} {sign.unit}"
        if self.low is not None and self.high is not None:
            figures += f", where {self.low:.{digits}f} to {self.high:.{digits}f} {sign.unit} was to be expected here"
        if abs(self.off) < NOTABLE:
            return f"{figures}: as it should be"
        return f"{figures}: {sign.high if self.off > 0 else sign.low}"


NOTABLE = 1.0
"""From so many standard deviations on, a value is called more or less than usual. Chosen."""


def _digits(value: float) -> int:
    """So many behind the point."""
    size = abs(value)
    return 0 if size >= 20 else 1 if size >= 2 else 2
