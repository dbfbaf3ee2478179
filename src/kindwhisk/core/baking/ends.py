"""What a bake comes to beside its minutes, each figure with its range: when to turn and cover, loss, dome and colour.

The course tells them; how far off they are is less well known than its minutes, for no kitchen weighs every cake.
"""

from __future__ import annotations

from kindwhisk.core.baking.predict import Prediction
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

TURN_SPREAD, COVER_SPREAD = 0.08, 0.15
"""Of the moments for turning and covering: what is looked at stands there sooner in one bake, later in another. Trade
habit."""
LOST_SPREAD, DRIED_SPREAD = 0.3, 0.06
"""Of the weight that a bake loses: 8 to 14 % are told of one sponge; what is dried through leaves next to
nothing of its water. Trade habit."""
BROWNED_SPREAD = 0.35
"""Of the top's colour over the reference's: sugar, egg and damp tell too, and the model does not know them. Chosen."""
DOME_SPREAD, DOME_MM = 0.7, 2.0
"""Of the dome, and no surer than so many mm. Chosen: it was never measured."""


class Ends(Value):
    """``turn_s`` and ``cover_s`` (s since it went in) are None where it must not be, or need not be. ``lost`` is a
    share of the weight, ``dome_mm`` how much the middle stands above the edge, ``browned`` the colour over the
    formula's own bake's, None without one."""

    turn_s: Estimate | None
    cover_s: Estimate | None
    lost: Estimate
    dome_mm: Estimate
    browned: Estimate | None


def _moment(seconds: float | None, spread: float, basis: Basis) -> Estimate | None:
    return None if seconds is None else Estimate.around(seconds, spread, basis)


def ends(made: Prediction) -> Ends:
    """Of a prediction, at its likely end."""
    end, basis = made.at(made.done_s.likely), Basis.weakest((made.done_s.basis, Basis.HABIT))
    dome = Estimate.around(max(0.0, end.dome_mm), DOME_SPREAD, basis)
    return Ends(
        turn_s=_moment(made.turn_s, TURN_SPREAD, basis),
        cover_s=_moment(made.cover_s, COVER_SPREAD, basis),
        lost=Estimate.around(max(0.0, end.lost), DRIED_SPREAD if made.textures else LOST_SPREAD, basis),
        dome_mm=dome.model_copy(update={"high": dome.high + DOME_MM, "low": max(0.0, dome.low - DOME_MM)}),
        browned=_moment(made.browned, BROWNED_SPREAD, basis),
    )
