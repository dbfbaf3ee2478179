"""What the steps that build have in common: a build of what comes in, its names, its cautions, what it stands in."""

from __future__ import annotations

import math
from collections.abc import Iterable

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.outcome import MakeReady
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.readiness.recognise import name_of
from kindwhisk.core.safety.cautions import Caution, keep_cold


def footprint(tins: TinsInUse) -> Stacked:
    """The frame of a cake that stands as it was baked in its tin."""
    tin = tins.tin
    cut = tin.cut(tin.depth_mm / 2)
    if tin.round:
        return Stacked(count=tins.count, across_mm=2 * math.sqrt(cut.area_mm2 / math.pi))
    width = 2 * cut.outer_mm
    return Stacked(count=tins.count, across_mm=width, length_mm=cut.area_mm2 / width)


def as_build(material: Material, tins: TinsInUse) -> Built:
    """A build of what comes in: itself, or one layer as wide as its tin."""
    if isinstance(material, Built):
        return material
    place = Place.LAYER if material.baked else Place.FILLING
    return Built.of(footprint(tins), (Part(name=name_of(material), place=place, content=material),))


def parts_of(contents: Iterable[Material]) -> list[Part]:
    """Contents that are added to a build: crumbs lie as layers, all else as fillings."""
    found: list[Part] = []
    for content in contents:
        if isinstance(content, Built):
            found += [p for p in content.build if p.place is not Place.OFFCUT]
        elif content.mass_g > 0:
            place = Place.LAYER if content.baked else Place.FILLING
            found.append(Part(name=name_of(content), place=place, content=content))
    return found


def cold_cautions(contents: Iterable[Material], setting: Setting) -> tuple[Caution, ...]:
    """Keep cold, where anything with milk or cream comes in."""
    chilled = any(ingredient(i).kind == "dairy" for m in contents for i in m.parts)
    return (keep_cold(setting.kitchen.cold_rule),) if chilled else ()


def ring_and_board(detail: str) -> MakeReady:
    """What a cake is built in so that it stands straight."""
    return MakeReady(id="ring-film-board", name="ring, film and board", detail=detail)


def offcut_words(build: Built) -> str:
    """What comes off, in words: it is not lost."""
    grams = build.offcut.mass_g
    if grams < 1:
        return ""
    return f"{grams:.0f} g come off: crumbs for outside, a trifle, or to taste."


def thickness_words(build: Built, part: Part) -> str:
    """How thick a part lies."""
    thick = build.thickness_mm(part)
    return "" if thick is None else f"{thick:.0f} mm" if thick >= 3 else f"{thick:.1f} mm"
