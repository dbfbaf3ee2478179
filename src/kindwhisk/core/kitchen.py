"""The kitchen profile: what this kitchen works with. ``measured_kpa`` is the air as a barometer reads it here."""

from __future__ import annotations

from datetime import date
from enum import StrEnum
from typing import Annotated, Self

from pydantic import AwareDatetime, Field, model_validator

from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.foams.hot_foam import BOWL_G
from kindwhisk.core.ingredients.allergens import Law
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.people import EVERY_DAY, Hours, Id, Name, Person
from kindwhisk.core.shelf_life.cooling_rule import FOOD_CODE, CoolingRule
from kindwhisk.core.shelf_life.limits import KeptAs
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.air import boiling_point_at_c, pressure_kpa
from kindwhisk.core.warmth.thermometer import Check, corrected_c, shows_c

Days = Annotated[float, Field(ge=0, le=365)]


MOST_THINGS = 400
"""So many tins, ovens, mixers, cups or thermometers one kitchen keeps."""


class KitchenTin(Value):
    """A tin on the shelf."""

    id: Id
    name: Name
    tin: Tin
    count: int = Field(default=1, ge=1, le=99)
    wall: TinWall = TinWall.BRIGHT


class Oven(Value):
    """An oven. ``offset_k`` is measured minus set temperature at the middle, by an oven thermometer; ``racks`` how many
    it takes at once; ``fall_k_per_min`` how fast it cools with its door ajar; ``out_until`` a moment up to which it is
    out of use."""

    id: Id
    name: Name
    mode: OvenMode = OvenMode.STATIC
    offset_k: float = Field(default=0, ge=-60, le=60)
    rise_k_per_min: float = Field(default=8, gt=0.5, le=60)
    fall_k_per_min: float = Field(default=4, gt=0.2, le=60)
    tins_at_once: int = Field(default=2, ge=1, le=50)
    racks: int = Field(default=2, ge=1, le=6)
    out_until: AwareDatetime | None = None

    def takes(self, *, trays: bool) -> int:
        """How many go in together: a tray takes a rack."""
        return self.racks if trays else self.tins_at_once


class Mixer(Value):
    """A mixer and its ``bowls``, each with a whisk; ``bowl_g`` is what an empty one weighs, for it takes heat from what
    is poured in."""

    id: Id
    name: Name
    bowl_ml: float = Field(default=4800, gt=200, le=100_000)
    bowl_g: float = Field(default=BOWL_G, ge=100, le=20_000)
    bowls: int = Field(default=1, ge=1, le=12)


class ProbePlace(StrEnum):
    """Where a thermometer lives; a step that needs one there takes its readings. In the room lives a hygrometer: it
    reads percent."""

    POT = "pot"
    BOWL = "bowl"
    OVEN = "oven"
    CRUMB = "crumb"
    HAND = "hand"
    ROOM = "room"


class Thermometer(Value):
    """A thermometer with its last check; ``id`` is the probe's name in outside readings."""

    id: Id
    name: Name
    place: ProbePlace = ProbePlace.HAND
    check: Check = Check()
    checked_on: date | None = None


class Cup(Value):
    """A cup for density, with the volume that it really holds (filled with water and weighed)."""

    id: Id
    name: Name
    empty_g: float = Field(ge=0, le=5000)
    volume_ml: float = Field(gt=5, le=5000)


class Kitchen(Value):
    """Everything that a forecast needs to know about where it happens; ``cold_rule`` is its own for what must be kept
    cold, in its words, ``out_of_cold_h`` how many hours in all that may be above 5 C (None: guidance), ``cooling`` its
    rule for what was cooked, ``keeps_days`` its own days for what it keeps in the cold. ``hours`` is when it is open,
    the ``places`` are for tins and trays, ``hand_per_h`` is what an hour of hands costs (None: not counted)."""

    name: Name = "My kitchen"
    altitude_m: float = Field(default=0, ge=-400, le=5000)
    measured_kpa: float | None = Field(default=None, ge=50, le=110)
    air_c: float = Field(default=22, ge=5, le=45)
    humidity_percent: float = Field(default=50, ge=5, le=100)
    eggs: EggSize = EggSize.EU_M
    allergen_law: Law = Law.EU
    cold_rule: str = Field(default="", max_length=160)
    out_of_cold_h: float | None = Field(default=None, gt=0, le=24)
    cooling: CoolingRule = FOOD_CODE
    keeps_days: dict[KeptAs, Days] = Field(default_factory=dict, max_length=len(KeptAs))
    hob_rings: int = Field(default=2, ge=1, le=12)
    hours: tuple[Hours, ...] = Field(default=(EVERY_DAY,), min_length=1, max_length=28)
    fridge_places: int = Field(default=12, ge=0, le=500)
    freezer_places: int = Field(default=8, ge=0, le=500)
    rack_places: int = Field(default=12, ge=0, le=500)
    hand_per_h: float | None = Field(default=None, ge=0, le=10_000)
    tins: tuple[KitchenTin, ...] = Field(default=(), max_length=MOST_THINGS)
    ovens: tuple[Oven, ...] = Field(default=(Oven(id="oven", name="Oven"),), min_length=1, max_length=MOST_THINGS)
    mixers: tuple[Mixer, ...] = Field(default=(Mixer(id="mixer", name="Mixer"),), min_length=1, max_length=MOST_THINGS)
    people: tuple[Person, ...] = Field(default=(), max_length=40)
    cups: tuple[Cup, ...] = Field(default=(), max_length=MOST_THINGS)
    thermometers: tuple[Thermometer, ...] = Field(default=(), max_length=MOST_THINGS)

    @model_validator(mode="after")
    def _ids_differ(self) -> Self:
        for what in ("tins", "ovens", "mixers", "people", "cups", "thermometers"):
            ids = [item.id for item in getattr(self, what)]
            if len(set(ids)) != len(ids):
                raise ValueError(f"two entries of '{what}' have the same id: give each its own")
        return self

    def in_air(self, humidity_percent: float | None) -> Kitchen:
        """The same kitchen in air as damp as was read; as it usually is where nothing was."""
        if humidity_percent is None:
            return self
        return self.model_copy(update={"humidity_percent": min(100.0, max(5.0, humidity_percent))})

    @property
    def hygrometer(self) -> Thermometer | None:
        """What reads the damp of the room; None where nothing does."""
        return next((t for t in self.thermometers if t.place is ProbePlace.ROOM), None)

    @property
    def pressure_kpa(self) -> float:
        """Of the air: as measured, else by the altitude."""
        return pressure_kpa(self.altitude_m) if self.measured_kpa is None else self.measured_kpa

    @property
    def water_boils_c(self) -> float:
        """Where water boils here."""
        return boiling_point_at_c(self.pressure_kpa)

    @property
    def _check_kpa(self) -> float:
        """Of the air when a thermometer was checked without a barometer: the altitude's, whatever it is today."""
        return pressure_kpa(self.altitude_m)

    def corrected_c(self, probe: str, reading_c: float) -> float:
        """A reading of this thermometer set right by its check; as it is where there is none of that id."""
        own = next((t for t in self.thermometers if t.id == probe), None)
        return reading_c if own is None else corrected_c(reading_c, own.check, self._check_kpa)

    def shows_c(self, probe: str, true_c: float) -> float:
        """What this thermometer shows at a true temperature: the inverse of :meth:`corrected_c`."""
        own = next((t for t in self.thermometers if t.id == probe), None)
        return true_c if own is None else shows_c(true_c, own.check, self._check_kpa)

    def person(self, person_id: str) -> Person:
        """Whoever has that id.

        Raises:
            CraftError: nobody has.
        """
        for item in self.people:
            if item.id == person_id:
                return item
        known = ", ".join(p.id for p in self.people) or "nobody yet"
        raise CraftError(
            f"Nobody here goes by '{person_id}'.", field="hands", remedy=f"Choose one of: {known}; or add them."
        )

    def tin(self, tin_id: str) -> KitchenTin:
        """The tin of that id.

        Raises:
            CraftError: there is none.
        """
        for item in self.tins:
            if item.id == tin_id:
                return item
        known = ", ".join(t.id for t in self.tins) or "none yet"
        raise CraftError(f"There is no tin '{tin_id}' in this kitchen.", field="tin", remedy=f"Choose one of: {known}.")

    def oven(self, oven_id: str | None) -> Oven:
        """The oven of that id, or the first one.

        Raises:
            CraftError: there is none.
        """
        if oven_id is None:
            return self.ovens[0]
        for item in self.ovens:
            if item.id == oven_id:
                return item
        known = ", ".join(o.id for o in self.ovens)
        raise CraftError(
            f"There is no oven '{oven_id}' in this kitchen.", field="oven", remedy=f"Choose one of: {known}."
        )
