"""What an unbaked content is, by what it holds: cream, ganache, curd, custard, mousse, buttercream, glaze."""

from __future__ import annotations

from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.ingredients.groups import LITTLE, MUCH, SOME, shares
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.readiness.cream import STABILISERS
from kindwhisk.core.readiness.ganache import Chocolate
from kindwhisk.core.readiness.ready import Known
from kindwhisk.core.readiness.window import Content

WHIPPED = 0.15
"""Share of air from which a cream counts as whipped."""
MOSTLY, FAT = 0.5, 0.15


def content_of(material: Material) -> Content | None:
    """What an unbaked content is; None for what has no window of its own (batters, syrups, crumbs)."""
    if material.baked or material.mass_g <= 0:
        return None
    share = shares(material)
    egg, dairy, butter = share.get("egg", 0.0), share.get("dairy", 0.0), share.get("butter", 0.0)
    airy, floury = material.air_fraction > WHIPPED, share.get("flour", 0.0) > 0
    thickener = share.get("thickener", 0.0)
    sets = share.get("gelatine", 0.0) > LITTLE
    soft = airy or egg > SOME or dairy > MUCH
    is_it = (
        (Content.MOUSSE, sets and soft),
        (Content.GLAZE, sets),
        (Content.GANACHE, share.get("chocolate", 0.0) > MUCH and dairy > MUCH and not floury),
        (Content.CUSTARD, egg > SOME and thickener > SOME and dairy > MOSTLY - MUCH),
        (Content.CURD, egg > MUCH and butter > SOME and share.get("acid", 0.0) > SOME and thickener < SOME),
        (Content.BUTTERCREAM, butter > 2 * MUCH and not floury and (egg > SOME or airy)),
        (Content.CREAM, dairy > MOSTLY and egg < LITTLE and material.composition.fat > FAT and airy),
    )
    return next((content for content, it_is in is_it if it_is), None)


def known_of(material: Material) -> Known:
    """What its ingredients tell of it."""
    parts = {counts_as(i): g for i, g in material.parts.items()}
    kinds = {i: ingredient(i).kind for i in material.parts}
    chocolate = next((c for c in Chocolate if any(i.startswith(f"chocolate-{c.value}") for i in parts)), Chocolate.DARK)
    dairy = sum(g for i, g in material.parts.items() if kinds[i] == "dairy")
    fat = sum(g * ingredient(i).composition.fat for i, g in material.parts.items() if kinds[i] == "dairy")
    holds = any(
        sum(grams for part, grams in parts.items() if name in part) >= least * dairy
        for name, (least, _) in STABILISERS.items()
    )
    return Known(
        fat=fat / dairy if dairy > 0 else 0.35,
        chocolate=chocolate,
        ratio=_ratio(material, dairy),
        stabilised=dairy > 0 and holds,
        fruit=tuple(i for i in material.parts if kinds[i] == "fruit"),
    )


def _ratio(material: Material, dairy_g: float) -> float | None:
    """Chocolate to cream by weight; None where cream was whipped into it, or there is none of the two."""
    chocolate = sum(g for i, g in material.parts.items() if ingredient(i).kind == "chocolate")
    return chocolate / dairy_g if chocolate > 0 and dairy_g > 0 and material.air_fraction < WHIPPED else None


def name_of(material: Material) -> str:
    """What a part of a build is called by what it is."""
    if material.baked:
        return "crumb"
    content = content_of(material)
    if content is not None:
        return content.value
    if not material.parts:
        return "nothing"
    most = max(material.parts, key=lambda i: material.parts[i])
    eggs = sum(g for i, g in material.parts.items() if counts_as(i) == "egg-white")
    if eggs > MUCH * material.mass_g and material.air_fraction > MOSTLY:
        return "meringue"
    return ingredient(most).name
