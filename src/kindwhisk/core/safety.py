"""Cautions: each stands at its step with its reason and defers to local rules. Nothing here calls food safe."""

from kindwhisk.core.model import Value

DEFER = "Local food-safety rules and trained staff decide."


class Caution(Value):
    """A caution to be read before the step starts."""

    id: str
    text: str
    reason: str
    defers: str = DEFER


RAW_EGG = Caution(
    id="raw-egg",
    text="Raw egg: wash hands, keep cold until used, lick nothing.",
    reason="Raw egg can carry salmonella; guidance is 71 C throughout, or pasteurised egg.",
)
STEAM = Caution(
    id="steam",
    text="Steam: lift the bowl away from you with a dry cloth.",
    reason="Steam burns at once, and a wet cloth passes the heat on.",
)
HOT_TIN = Caution(
    id="hot-tin",
    text="Hot tin and rack: two dry gloves, clear the way first.",
    reason="A tin at oven heat burns at a touch and is dropped.",
    defers="Follow the kitchen's own safety rules.",
)
HOT_LIQUID = Caution(
    id="hot-liquid",
    text="Hot liquid: handle inward, pour away from you.",
    reason="A splash of near-boiling milk, butter or water scalds.",
    defers="Follow the kitchen's own safety rules.",
)
WARM_EGG = Caution(
    id="warm-egg",
    text="Do not leave warm egg standing.",
    reason="Lukewarm egg is where bacteria grow fastest; whip it as soon as it is warm.",
)


def allergen_caution(allergens: tuple[str, ...]) -> Caution | None:
    """What a batch is known to contain; None when nothing is on the list."""
    if not allergens:
        return None
    return Caution(
        id="allergens",
        text="Contains " + ", ".join(allergens) + ". Check the labels of bought goods for more.",
        reason="Traces can make someone seriously ill; the table knows ingredients, not labels.",
    )
