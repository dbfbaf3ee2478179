"""How warm things meet: a cream or mousse on a crumb, cream folded into a base, each against its window."""

from __future__ import annotations

from collections.abc import Iterable

from kindwhisk.core.baking import cooling
from kindwhisk.core.baking.cooling import Hot
from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.foams.foam import is_meringue
from kindwhisk.core.ingredients import groups
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Notice
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.readiness import buttercream, cream, ganache, gelatine
from kindwhisk.core.readiness.ready import ready
from kindwhisk.core.readiness.recognise import content_of, known_of, name_of
from kindwhisk.core.readiness.window import Content, Purpose, State
from kindwhisk.core.warmth.cooling import ABOVE_AIR_K, CREAM_C, How

WARMER_K = 3.0
"""A crumb that has come as near to the air as this is as cold as it gets there. Chosen."""
BUTTERY = 0.6
"""A content of which this share is butter is beaten in as butter. Chosen."""
MELTING = frozenset({Content.CREAM, Content.BUTTERCREAM, Content.MOUSSE})
FOLDS_BELOW_C, FOLDS_ABOVE_C = 31.0, gelatine.SETS_C + 2
"""Cream folded into a base that is warmer melts; a base with gelatine that is colder sets in threads. Trade habit."""


def crumb_warmth(base: Material) -> float:
    """How warm the crumb of what comes in is: that of its warmest baked part."""
    if not isinstance(base, Built):
        return base.temperature_c
    return max((p.content.temperature_c for p in base.build if p.content.baked), default=base.temperature_c)


def _waits(base: Material, warm_c: float, setting: Setting) -> str:
    """How much longer it stands on a rack until cream may go on."""
    tins, air = setting.tins, setting.kitchen.air_c
    target = max(CREAM_C, air + ABOVE_AIR_K)
    if tins.piece is not None or warm_c <= target or (isinstance(base, Built) and not isinstance(base.frame, Stacked)):
        return ""
    height = max(1.0, tins.tin.level_mm(base.volume_ml.likely * tins.share))
    seconds = cooling.cooling_s(Hot(tins.tin, height, base.mass_g * tins.share, How.RACK, air, warm_c), target)
    return f" About {seconds.likely / 60:.0f} min on a rack ({seconds.low / 60:.0f} to {seconds.high / 60:.0f})."


def meeting_notices(base: Material, contents: Iterable[Material], use: Purpose, setting: Setting) -> tuple[Notice, ...]:
    """Where a crumb is too warm for what goes onto it, or that is not in its window."""
    found = []
    warm = crumb_warmth(base)
    for content in contents:
        what = content_of(content)
        if what is None:
            continue
        if what in MELTING and base.baked and warm >= max(cream.LOOSENS_C, setting.kitchen.air_c + WARMER_K):
            met = cream.on_crumb(warm)
            found.append(
                Notice(
                    level="danger" if warm >= cream.MELTS_C else "risk",
                    text=met.says,
                    remedy=met.do + _waits(base, warm, setting),
                )
            )
        known = known_of(content)
        told = ready(what, content.temperature_c, use, known)
        if known.ratio is not None and (why := ganache.unfit(use, known.ratio, known.chocolate)):
            more = "cream" if use is Purpose.POUR else "chocolate"
            found.append(Notice(level="risk", text=f"The {name_of(content)}: {why}", remedy=f"More {more} in it."))
        # Cream that was weighed at the kitchen's warmth: how warm it is then nobody has said.
        if told.state in {State.TOO_WARM, State.PAST} and what is not Content.CREAM:
            found.append(
                Notice(
                    level="risk",
                    text=f"The {name_of(content)} is at {content.temperature_c:.0f} °C. {told.says}",
                    remedy=told.do,
                )
            )
    return tuple(found)


def butter_notices(intake: tuple[Material, ...]) -> tuple[Notice, ...]:
    """Where butter meets a meringue that melts it, or comes too cold or too warm to be beaten in."""
    foams = [m for m in intake if is_meringue(m) and m.gas_ml.likely > 0]
    fats = [m for m in intake if m not in foams and groups.shares(m).get("butter", 0.0) > BUTTERY]
    if not foams or not fats:
        return ()
    found = []
    warm, butter = combine(foams).temperature_c, combine(fats).temperature_c
    low, high = buttercream.BUTTER_C
    if warm > buttercream.MERINGUE_BELOW_C:
        found.append(
            Notice(
                level="risk",
                text=f"The meringue is at {warm:.0f} °C: the butter melts in it, and it turns to soup.",
                remedy=f"Whisk it on to below {buttercream.MERINGUE_BELOW_C:.0f} °C, then butter, a piece at a time.",
            )
        )
    if not low - WARMER_K <= butter <= high + WARMER_K:
        found.append(
            Notice(
                level="risk",
                text=f"The butter is at {butter:.0f} °C: {'it curdles' if butter < low else 'it does not hold air'}.",
                remedy=f"Butter at {low:.0f} to {high:.0f} °C: it takes a finger's mark and does not shine.",
            )
        )
    return tuple(found)


def folding_notices(intake: tuple[Material, ...]) -> tuple[Notice, ...]:
    """Where cream is folded into a base that melts it, or that sets around it; and fruit that never lets it set."""
    creams = [m for m in intake if content_of(m) is Content.CREAM]
    base = combine(m for m in intake if content_of(m) is not Content.CREAM)
    if not creams or base.mass_g <= 0:
        return ()
    found = []
    warm = base.temperature_c
    sets = base.grams_of("gelatine") > 0
    if warm > FOLDS_BELOW_C:
        found.append(
            Notice(
                level="risk",
                text=f"The base is at {warm:.0f} °C: it melts the cream that is folded in.",
                remedy="Stir it over cold water to 25 to 30 °C first.",
            )
        )
    elif sets and warm < FOLDS_ABOVE_C:
        found.append(
            Notice(
                level="risk",
                text=f"The base is at {warm:.0f} °C: with gelatine it sets in threads and lumps.",
                remedy="Warm its bowl over water to 25 to 30 °C, stirring, before the cream goes in.",
            )
        )
    fruit = known_of(base).fruit
    if sets and gelatine.never_sets(fruit) is not None:
        told = gelatine.ready(warm, Purpose.FOLD, fruit=fruit)
        found.append(Notice(level="danger", text=told.says, remedy=told.do))
    return tuple(found)
