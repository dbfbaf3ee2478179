"""What an unbaked content is, by what it holds: cream, ganache, curd, custard, mousse, buttercream, glaze."""

from __future__ import annotations

from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.readiness.ganache import Chocolate
from kindwhisk.core.readiness.ready import Known
from kindwhisk.core.readiness.window import Content

MUCH, SOME, LITTLE = 0.12, 0.03, 0.002
WHIPPED = 0.15
"""Share of air from which a cream counts as whipped."""
MOSTLY, FAT = 0.5, 0.15
ACIDS = frozenset({"lemon-juice", "lime-juice", "passion-fruit", "orange-juice"})


def _shares(content: Material) -> dict[str, float]:
    whole = content.mass_g or 1.0
    found: dict[str, float] = {}
    for part, grams in content.parts.items():
        known = counts_as(part)
        kind = ingredient(part).kind
        groups = {kind, known}
        if "starch" in known or kind == "flour":
            groups.add("thickener")
        if known in ACIDS:
            groups.add("acid")
        for group in groups:
            found[group] = found.get(group, 0.0) + grams / whole
    return found


def content_of(material: Material) -> Content | None:
    """What an unbaked content is; None for what has no window of its own (batters, syrups, crumbs)."""
    if material.baked or material.mass_g <= 0:
        return None
    share = _shares(material)
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
    whole = material.mass_g or 1.0
    dairy = sum(g for i, g in material.parts.items() if kinds[i] == "dairy")
    fat = sum(g * ingredient(i).composition.fat for i, g in material.parts.items() if kinds[i] == "dairy")
    holds = parts.get("mascarpone", 0.0) / whole > 0.12 or parts.get("gelatine", 0.0) / whole > 0.004
    return Known(
        fat=fat / dairy if dairy > 0 else 0.35,
        chocolate=chocolate,
        stabilised=holds,
        fruit=tuple(i for i in material.parts if kinds[i] == "fruit"),
    )


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
