"""Cautions: each stands at its step with its reason and defers to local rules. Nothing here calls food safe."""

from kindwhisk.core.values.model import Value

DEFER = "Local food-safety rules and trained staff decide."
BURNT = "A burn: 20 minutes under cool running water, then have it looked at."
"""First aid guidance, recalled."""
NOT_FOR = "small children, pregnant, old or ill people, and anyone with weak defences"
"""Who must not eat raw egg, by the guidance of food authorities; recalled."""


class Caution(Value):
    """A caution to be read before the step starts."""

    id: str
    text: str
    reason: str
    defers: str = DEFER


RAW_EGG = Caution(
    id="raw-egg",
    text="Raw egg: wash hands, keep cold until used, taste nothing.",
    reason="Raw egg can carry salmonella; guidance is 71 °C throughout, or pasteurised egg. Raw, it is not for "
    f"{NOT_FOR}.",
)
STEAM = Caution(
    id="steam",
    text="Steam: lift the bowl away from you with a dry cloth.",
    reason=f"Steam burns at once, and a wet cloth passes the heat on. {BURNT}",
)
HOT_TIN = Caution(
    id="hot-tin",
    text="Hot tin and rack: two dry gloves, clear the way first.",
    reason=f"A tin at oven heat burns at a touch and is dropped. {BURNT}",
    defers="Follow the kitchen's own safety rules.",
)
HOT_LIQUID = Caution(
    id="hot-liquid",
    text="Hot liquid: handle inward, pour away from you.",
    reason=f"A splash of near-boiling milk, butter or water scalds. {BURNT}",
    defers="Follow the kitchen's own safety rules.",
)
BOILING_SUGAR = Caution(
    id="boiling-sugar",
    text="Boiling sugar: long sleeves, dry hands, no children or pets near; the tap within reach.",
    reason=f"Syrup is far hotter than water and sticks where it falls: to the tap at once. {BURNT}",
    defers="Follow the kitchen's own safety rules.",
)
HOT_STREAM = Caution(
    id="hot-stream",
    text="Pour between whisk and wall, in a thread, at medium speed, face back.",
    reason=f"A whisk at full speed throws hot syrup out of the bowl. {BURNT}",
    defers="Follow the kitchen's own safety rules.",
)
NOT_COOKED = Caution(
    id="not-cooked",
    text="Hot syrup seldom cooks egg through: measure it, or take pasteurised egg.",
    reason="Guidance for egg is 71 °C throughout; most hot foams stay below that, and cool quickly.",
)
UNBAKED_EGG = Caution(
    id="unbaked-egg",
    text=f"This is served without baking: not for {NOT_FOR}. Keep it cold and say so to guests; or take pasteurised "
    "egg.",
    reason="Egg that is not cooked through can carry salmonella.",
)
RAW_FLOUR = Caution(
    id="raw-flour",
    text="Raw flour comes in here: no tasting from now on, and wash hands and board.",
    reason="Flour is a raw food: it can carry salmonella and E. coli until it is baked.",
)


def keep_cold(own_rule: str = "") -> Caution:
    """Of cream, milk and custard: this kitchen's own rule first, then the guidance."""
    return Caution(
        id="keep-cold",
        text=(f"This kitchen’s rule: {own_rule.rstrip('.')}. " if own_rule else "")
        + "Cream, milk, curd and custard: at 5 °C or below; out of it 2 hours in all, thrown away after 4. What was "
        "cooked: from 57 to 21 °C within 2 hours, to 5 °C within 4 more.",
        reason="Bacteria grow fast in a moist filling at room warmth; the time counts from when it leaves the cold. "
        "Limits: FDA Food Code 3-501.14 and 3-501.19, published; 2 hours: trade habit.",
    )


FLAME = Caution(
    id="flame",
    text="Flame: clear of paper, cloth and sleeves; set the torch down off.",
    reason="Paper and sugar catch fire in a moment.",
    defers="Follow the kitchen's own safety rules.",
)
WARM_EGG = Caution(
    id="warm-egg",
    text="Do not leave warm egg standing.",
    reason="Lukewarm egg is where bacteria grow fastest; whip it as soon as it is warm.",
)


def allergen_caution(contains: str, labels: str) -> Caution:
    """What a batch is known to contain, to be said when it is served."""
    return Caution(
        id="allergens",
        text=f"{contains} {labels or 'Check the labels of bought goods for more.'}",
        reason="Traces can make someone seriously ill; the table knows ingredients, not labels.",
    )


def allergens_come_in(names: tuple[str, ...], unknown: tuple[str, ...]) -> Caution:
    """What comes into the kitchen's bowls here for the first time in a batch."""
    known = ", ".join(names)
    strange = ", ".join(f"“{word}”" for word in unknown)
    said = [
        f"{known[:1].upper()}{known[1:]} {'come' if len(names) > 1 else 'comes'} in here" if names else "",
        f"{strange} {'is' if len(unknown) == 1 else 'are'} not known here: read the label before it goes in"
        if unknown
        else "",
    ]
    return Caution(
        id="allergens-come-in",
        text="; ".join(s for s in said if s) + ". Keep their scoops, cloths and crumbs away from other work.",
        reason="What is wiped or dusted from one bowl to the next can make someone seriously ill.",
    )
