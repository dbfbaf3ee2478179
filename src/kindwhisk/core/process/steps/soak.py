"""Soak: syrup or milk into a crumb."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import CRUMBS
from kindwhisk.core.finishing import soaking
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit
from kindwhisk.core.process.steps.building import cold_cautions
from kindwhisk.core.values.estimate import Estimate


class SoakStep(StepBase):
    """Soak a baked crumb: brushed on, or ``flooded`` so that it stands in the liquid.

    Of a build the crumbs are soaked, each by its share of the pores.
    """

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["soak"] = "soak"
    flooded: bool = False

    def given_and_held(self, intake: tuple[Material, ...]) -> tuple[float, Estimate]:
        """The liquid that goes in, and what the crumb takes without weeping (both ml)."""
        crumb = combine(_crumbs(m) for m in intake if m.baked)
        soak = combine([m for m in intake if not m.baked])
        return soak.gas_free_volume_ml, soaking.takes_ml(crumb, flooded=self.flooded)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Liquid goes into the pores; the crumb keeps its size."""
        built = next((m for m in intake if isinstance(m, Built)), None)
        crumb = combine(_crumbs(m) for m in intake if m.baked)
        soak = combine([m for m in intake if not m.baked])
        together = combine((crumb, soak)) if built is not None else combine(intake)
        given, takes = self.given_and_held(intake)
        notices = []
        if crumb.mass_g > 0 and given > takes.high:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{given:.0f} ml is more than it holds ({takes.low:.0f} to {takes.high:.0f}): it weeps.",
                    remedy=f"Give about {takes.likely:.0f} ml now and pass the rest at the table.",
                )
            )
        if crumb.mass_g <= 0:
            notices.append(
                Notice(level="danger", text="Nothing baked is here to be soaked.", remedy="Soak after the bake.")
            )
        most = takes.high * soak.gas_free_density
        given_goes = soaking.goes(soak.mass_g, most)
        notices += self._warmth(crumb, soak)
        pores = soaking.room_ml(crumb)
        return Outcome(
            material=_soaked(built, soak)
            if built is not None
            else soaking.soaked(crumb, soak, together)
            if crumb.mass_g > 0
            else together,
            duration_s=by_habit(420 if self.flooded else 120),
            goal=f"{soak.mass_g:.0f} g in",
            do=(
                "Pricked all over, cold liquid in three goes, edges first; wait until each is gone."
                if self.flooded
                else "With a brush, edges first, all faces alike."
                if len(given_goes) == 1
                else f"With a brush, edges first: {given_goes[0]:.0f} g, and {given_goes[1]:.0f} g once that is gone."
            ),
            why=f"It fills {given / pores:.0%} of the pores." if pores > 0 else "",
            cautions=cold_cautions((soak,), setting),
            notices=tuple(notices),
        )

    @staticmethod
    def _warmth(crumb: Material, soak: Material) -> list[Notice]:
        """Where both are hot."""
        if crumb.mass_g <= 0 or soak.mass_g <= 0:
            return []
        milky = any(ingredient(i).kind == "dairy" for i in soak.parts)
        liquid = soaking.Liquid.MILK if milky else soaking.Liquid.SYRUP
        met = soaking.warm_on_cold(crumb.temperature_c, soak.temperature_c, liquid)
        return [] if met.fits else [Notice(level="risk", text=met.says, remedy="One of them cold, the other warm.")]

    def schools(self, content: Content) -> tuple[School, ...]:
        """Brushed or flooded."""
        return (school("Soak", "flooded" if self.flooded else "brushed"),)


def _crumbs(material: Material) -> Material:
    """What of it is crumb."""
    if not isinstance(material, Built):
        return material
    return combine(p.content for p in material.at_place(*CRUMBS))


def _soaked(built: Built, soak: Material) -> Built:
    """Each crumb with its share of the liquid in its pores."""
    room = [soaking.room_ml(p.content) if p.place in CRUMBS else 0.0 for p in built.build]
    whole = sum(room)
    parts = []
    for part, pores in zip(built.build, room, strict=True):
        share = soak.take(pores / whole) if whole > 0 else soak.take(0)
        wet = soaking.soaked(part.content, share, combine((part.content, share))) if pores > 0 else part.content
        parts.append(part.of(wet))
    return Built.of(built.frame, parts)
