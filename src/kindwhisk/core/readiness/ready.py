"""Whatever the content is: whether it is right for what it is for."""

from __future__ import annotations

from kindwhisk.core.readiness import buttercream, cream, custards, ganache, gelatine, glaze
from kindwhisk.core.readiness.cream import Stage
from kindwhisk.core.readiness.ganache import Chocolate
from kindwhisk.core.readiness.window import Content, Purpose, Ready, Window
from kindwhisk.core.values.model import Value

WINDOWS: dict[Content, dict[Purpose, Window]] = {
    Content.CREAM: cream.WINDOWS,
    Content.GANACHE: ganache.WINDOWS,
    Content.CURD: custards.WINDOWS,
    Content.CUSTARD: custards.WINDOWS,
    Content.MOUSSE: gelatine.WINDOWS,
    Content.BUTTERCREAM: buttercream.WINDOWS,
    Content.GLAZE: glaze.WINDOWS,
}


class Known(Value):
    """What else is known of a content; each content looks at what concerns it.

    Attributes:
        fat: share of the cream that is fat; ``stage``, ``density_g_per_ml`` how far it is whipped.
        crumb_c: the crumb that it meets; ``on_c`` the face that it is poured on; ``air_c`` what it stands in.
        waited_min: how long it has stood since; ``stabilised`` whether something holds it.
        chocolate, broken: of a ganache, and its ``ratio`` of chocolate to cream by weight; ``fruit`` in a mousse.
        cooking: it is on the heat; ``boiled_s`` how long it has boiled.
    """

    fat: float = 0.35
    stage: Stage | None = None
    density_g_per_ml: float | None = None
    crumb_c: float | None = None
    on_c: float | None = None
    air_c: float | None = None
    waited_min: float | None = None
    stabilised: bool = False
    chocolate: Chocolate = Chocolate.DARK
    ratio: float | None = None
    broken: bool = False
    fruit: tuple[str, ...] = ()
    cooking: bool = False
    boiled_s: float | None = None


NOTHING_KNOWN = Known()


def ready(content: Content, temperature_c: float, use: Purpose | None = None, known: Known = NOTHING_KNOWN) -> Ready:
    """A content for a use: its window, how it is, what to do first, and what brings it back.

    Args:
        content: what it is.
        temperature_c: as it was measured.
        use: what it is wanted for; left out, what it is mostly for.
        known: whatever else is known of it.
    """
    air = known.air_c
    match content:
        case Content.CREAM:
            return cream.ready(
                temperature_c,
                use,
                stage=known.stage,
                density_g_per_ml=known.density_g_per_ml,
                fat=known.fat,
                crumb_c=known.crumb_c,
                waited_min=known.waited_min,
                stabilised=known.stabilised,
                air_c=air,
            )
        case Content.GANACHE:
            return ganache.ready(
                temperature_c, use, chocolate=known.chocolate, ratio=known.ratio, broken=known.broken, air_c=air
            )
        case Content.CURD:
            return custards.curd(temperature_c, use, cooking=known.cooking, air_c=air)
        case Content.CUSTARD:
            return custards.custard(temperature_c, use, cooking=known.cooking, boiled_s=known.boiled_s, air_c=air)
        case Content.MOUSSE:
            return gelatine.ready(temperature_c, use, fruit=known.fruit, air_c=air)
        case Content.BUTTERCREAM:
            return buttercream.ready(temperature_c, use, air_c=air)
        case Content.GLAZE:
            return glaze.ready(temperature_c, use, on_c=known.on_c, air_c=air)
