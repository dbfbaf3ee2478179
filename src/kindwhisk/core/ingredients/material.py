"""What is in a vessel: grams of each ingredient, a temperature, and the gas that it holds."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from pydantic import Field

from kindwhisk.core.ingredients import Composition, colour, counts_as, ingredient
from kindwhisk.core.ingredients.allergens import Holds, holds
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

SET_BY = 0.02
ADDED_SPREAD = 0.02
"""How far off a volume is that is summed up of its parts', as if nothing dissolved. Chosen."""
NO_GAS = Estimate.exact(0.0, Basis.PUBLISHED)


class Material(Value):
    """An immutable content of a vessel.

    Attributes:
        parts: grams by ingredient id, each more than 0; heat and whisk never change them.
        evaporated_g: water that has left, so that mass in equals mass out plus vapour.
        temperature_c: one temperature for all of it.
        gas_ml: bubbles, as a range.
        browning: 0 raw to 1 deep brown.
    """

    parts: Mapping[str, float] = Field(default_factory=dict)
    temperature_c: float = 22.0
    gas_ml: Estimate = NO_GAS
    evaporated_g: float = Field(default=0.0, ge=0)
    browning: float = Field(default=0.0, ge=0, le=1)

    @property
    def mass_g(self) -> float:
        """Mass in g, gas taken as weightless."""
        return sum(self.parts.values()) - self.evaporated_g

    @property
    def gas_free_volume_ml(self) -> float:
        """Volume in ml without bubbles, volumes added as if nothing dissolved (good to 2 %)."""
        solids = sum(g / ingredient(i).density_g_per_ml for i, g in self.parts.items())
        return solids - self.evaporated_g

    @property
    def gas_free_density(self) -> float:
        """Density in g/ml without bubbles; 1 for an empty vessel."""
        volume = self.gas_free_volume_ml
        return self.mass_g / volume if volume > 0 else 1.0

    @property
    def volume_ml(self) -> Estimate:
        """Volume in ml with bubbles."""
        return self.gas_ml.shifted(self.gas_free_volume_ml)

    @property
    def density_g_per_ml(self) -> Estimate:
        """Density in g/ml with bubbles; much gas is a low density."""
        volume = self.volume_ml
        if volume.low <= 0:
            return Estimate.exact(1.0, Basis.PUBLISHED)
        if self.gas_ml == NO_GAS:
            basis = Basis.weakest(ingredient(i).basis for i in self.parts)
            return Estimate.around(self.mass_g / volume.likely, ADDED_SPREAD, basis)
        return Estimate(
            low=self.mass_g / volume.high,
            likely=self.mass_g / volume.likely,
            high=self.mass_g / volume.low,
            basis=self.gas_ml.basis,
            bakes=self.gas_ml.bakes,
        )

    @property
    def air_fraction(self) -> float:
        """Likely share of the volume that is gas, 0 to 1."""
        volume = self.volume_ml.likely
        return self.gas_ml.likely / volume if volume > 0 else 0.0

    @property
    def baked(self) -> bool:
        """Whether it is a crumb that has set: its bubbles are pores now. It has browned a little by then."""
        return self.browning > SET_BY

    @property
    def composition(self) -> Composition:
        """Mass fractions of the whole; all zero for an empty vessel."""
        mass = self.mass_g
        if mass <= 0:
            return Composition()
        sums = dict.fromkeys(Composition.model_fields, 0.0)
        for ingredient_id, grams in self.parts.items():
            part = ingredient(ingredient_id).composition
            for name in sums:
                sums[name] += grams * float(getattr(part, name))
        sums["water"] -= self.evaporated_g
        return Composition(**{name: grams / mass for name, grams in sums.items()})

    @property
    def counted(self) -> dict[str, float]:
        """Grams by what each part counts as in foams and ratios: a kitchen's own cream is cream."""
        grams: dict[str, float] = {}
        for ingredient_id, part in self.parts.items():
            known_as = counts_as(ingredient_id)
            grams[known_as] = grams.get(known_as, 0.0) + part
        return grams

    @property
    def mixed(self) -> Material:
        """It as one content: what was built of parts without its structure."""
        return self

    @property
    def smooth(self) -> Material:
        """It without the pieces that are only mixed in: what foams, ratios and colours go by."""
        if not any(ingredient(i).piece for i in self.parts):
            return self
        return self.model_copy(update={"parts": {i: g for i, g in self.parts.items() if not ingredient(i).piece}})

    @property
    def holds(self) -> Holds:
        """What is in it for whom."""
        return holds(ingredient(i) for i in self.parts)

    @property
    def colour(self) -> str:
        """``#rrggbb`` as it looks in the vessel."""
        return colour.mixed(self.parts, air_fraction=self.air_fraction, browning=self.browning)

    def grams_of(self, *ingredient_ids: str) -> float:
        """Grams of all that counts as one of these ingredients."""
        counted = self.counted
        return sum(counted.get(i, 0.0) for i in ingredient_ids)

    def take(self, fraction: float) -> Material:
        """A share of it, 0 to 1, evenly in everything.

        Raises:
            CraftError: the fraction is outside 0 to 1.
        """
        if not 0 <= fraction <= 1 + 1e-9:
            raise CraftError(
                f"A share of {fraction:.3g} of a content cannot be taken.",
                field="share",
                remedy="Take between nothing (0) and all (1) of it.",
            )
        return self.model_copy(
            update={
                "parts": {i: g * fraction for i, g in self.parts.items()},
                "gas_ml": self.gas_ml.scaled(fraction),
                "evaporated_g": self.evaporated_g * fraction,
            }
        )

    def at(self, temperature_c: float) -> Material:
        """The same at another temperature; bubbles are left as they are."""
        return self.model_copy(update={"temperature_c": temperature_c})

    def with_gas(self, gas_ml: Estimate) -> Material:
        """The same with other bubbles."""
        return self.model_copy(update={"gas_ml": gas_ml})

    def at_density(self, density_g_per_ml: Estimate) -> Material:
        """The same with the bubbles that give it this density; never less than none."""
        free = self.gas_free_volume_ml

        def gas(density: float) -> float:
            return max(0.0, self.mass_g / density - free)

        return self.with_gas(
            Estimate(
                low=gas(density_g_per_ml.high),
                likely=gas(density_g_per_ml.likely),
                high=gas(density_g_per_ml.low),
                basis=density_g_per_ml.basis,
                bakes=density_g_per_ml.bakes,
            )
        )

    def dried_by(self, grams: float) -> Material:
        """The same after ``grams`` of its water have left, never more than it holds."""
        water = self.composition.water * self.mass_g
        return self.model_copy(update={"evaporated_g": self.evaporated_g + min(max(grams, 0.0), water)})


def combine(materials: Iterable[Material]) -> Material:
    """All of them in one vessel, without structure: masses and bubbles add, heat evens out."""
    items = [m.mixed for m in materials if m.mass_g > 0]
    if not items:
        return Material()
    if len(items) == 1:
        return items[0]
    parts: dict[str, float] = {}
    for item in items:
        for ingredient_id, grams in item.parts.items():
            parts[ingredient_id] = parts.get(ingredient_id, 0.0) + grams
    gas = items[0].gas_ml
    for item in items[1:]:
        gas = gas.plus(item.gas_ml) if item.gas_ml.likely > 0 else gas
    heat = [m.mass_g * m.composition.heat_capacity() for m in items]
    temperature = sum(h * m.temperature_c for h, m in zip(heat, items, strict=True)) / sum(heat)
    return Material(
        parts=parts,
        temperature_c=temperature,
        gas_ml=gas,
        evaporated_g=sum(m.evaporated_g for m in items),
        browning=max(m.browning for m in items),
    )
