"""Pipe: pieces onto a tray: shells, kisses, fingers."""

from __future__ import annotations

import math
from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.patterns.pattern import BatterNames, PatternView, numbered
from kindwhisk.core.patterns.stripes import in_the_bag
from kindwhisk.core.people import Craft
from kindwhisk.core.piping import deposit
from kindwhisk.core.piping.colouring import ColourRisk, doses_in
from kindwhisk.core.process.outcome import Checkpoint, DepositView, MakeReady, Notice, Outcome
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.steps.base import StepBase, in_tins
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.vessels.section import Section

OWN_SIZE = 0.08
"""By so much a good hand's pieces may differ from what was meant. Trade habit."""
GROWS_MM = 0.5


def _trays(number: int) -> str:
    return "one tray" if number == 1 else f"{number} trays"


class PipeStep(StepBase):
    """Pipe pieces of one size onto trays; ``tin`` is the tray that the formula was made for.

    With several batters and ``stripes_each`` these lie side by side in one bag, so many stripes of each.
    """

    passes_window: ClassVar[bool] = True
    shows_before: ClassVar[bool] = True

    first: ClassVar[dict[str, Any]] = {
        "tin": {"shape": "sheet", "dimensions": {"width_mm": 300, "length_mm": 400, "depth_mm": 20}},
        "tin_name": "tray",
        "piece": PipedPiece(width_mm=40, height_mm=10).model_dump(mode="json"),
    }

    craft: ClassVar[Craft] = Craft.PIPING
    kind: Literal["pipe"] = "pipe"
    piece: PipedPiece
    piece_name: str = Field(default="piece", min_length=1, max_length=40)
    tin: Tin
    tin_name: str = Field(max_length=60)
    leads: bool = False
    stripes_each: int = Field(default=0, ge=0, le=12)
    nozzle_mm: float = Field(default=12, ge=3, le=40)
    batter_names: BatterNames = ()

    def pattern_view(self, intake: tuple[Material, ...], setting: Setting) -> PatternView | None:
        """Its batters as stripes in one bag."""
        if not self.stripes_each or len(intake) < 2:
            return None
        return in_the_bag(
            [m.mass_g for m in intake],
            [m.density_g_per_ml.likely for m in intake],
            self.stripes_each,
            self.nozzle_mm,
            self.batter_names or numbered(len(intake)),
            tuple(m.colour for m in intake),
        )

    def pieces(self, content: Material, setting: Setting) -> int:
        """How many of them this content makes at the size that these hands pipe, at least one."""
        size = self._weighs(1.0, setting).made.likely
        return max(1, math.floor(content.volume_ml.likely / self.piece.volume_ml() / size + 1e-6))

    def per_tray(self, tray: Tin) -> int:
        """How many stand on a tray, at least one."""
        return max(1, self.piece.on_tray(*tray.tray_mm))

    def fills(self, content: Material, setting: Setting, *, leads: bool) -> TinsInUse:
        """The pieces, on as many trays as they need."""
        tray = setting.tins.tin if leads else self.tin
        count = self.pieces(content, setting)
        return TinsInUse(
            name=self.piece_name,
            tin=self.piece.mould(),
            count=count,
            on_shelf=setting.tins.on_shelf if leads else None,
            piece=self.piece,
            trays=math.ceil(count / self.per_tray(tray)),
            sheet=tray,
        )

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for."""
        return Purpose.PIPE

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The same content in pieces."""
        content = combine(intake)
        tins, trays = setting.tins, setting.tins.trays or 1
        each = content.mass_g / tins.count
        density = content.density_g_per_ml.likely
        made = deposit.deposit(self.piece, content.mass_g, density)
        time = self._time(each, setting)
        size = self._weighs(made.piece_g, setting)
        where = f"tray {self.tray.number} of {self.tray.of_many}" if self.tray else _trays(trays)
        return Outcome(
            material=content,
            duration_s=time.made,
            modelled_s=time.modelled.likely,
            expects=(time, size),
            goal=f"{tins.count} × {each:.1f} g" if each < 10 else f"{tins.count} × {each:.0f} g",
            do=f"{tins.count} on {where}, {self.piece.gap_mm:.0f} mm apart. Pipe to {self._size(made)} "
            f"About {time.made.likely / tins.count:.1f} s each; nozzle of {self.nozzle_mm:.0f} mm upright, "
            "still while you press.",
            why="Equal pieces are done at the same moment.",
            deposit=DepositView(
                **dict(made),
                piece=self.piece,
                layout=self.piece.laid_out(*self._tray_mm(setting)),
                on_tray=tins.count,
            ),
            checkpoints=(self._ten(size),),
            make_ready=self._ready(trays, content),
            notices=(*self._shelf(trays, setting), *self._coloured(intake), *self._striped()),
        )

    def _tray_mm(self, setting: Setting) -> tuple[float, float]:
        return (setting.tins.sheet or self.tin).tray_mm

    def _size(self, made: deposit.Deposit) -> str:
        """How wide they are piped, and what becomes of that."""
        long = f" × {self.piece.length_mm:.0f} mm" if self.piece.length_mm else " mm"
        grows = self.piece.width_mm - made.piped_diameter_mm >= GROWS_MM
        then = f"they spread to {self.piece.width_mm:.0f}." if grows else "they keep that."
        return f"{made.piped_diameter_mm:.0f}{long}: {then}"

    def _time(self, each_g: float, setting: Setting) -> Expected:
        """Of all these, by this kitchen's own hands."""
        tins = setting.tins
        one = deposit.seconds_each(each_g)
        trays = tins.trays or 1
        modelled = Estimate(
            low=trays * deposit.TRAY_S / 1.5 + tins.count * one.low,
            likely=trays * deposit.TRAY_S + tins.count * one.likely,
            high=trays * deposit.TRAY_S * 1.5 + tins.count * one.high,
            basis=Basis.HABIT,
        )
        effects = setting.effects(Figure.PIPE, self.piece.form.value, self.origin)
        return setting.record.expected(Figure.PIPE, effects, modelled)

    def _weighs(self, each_g: float, setting: Setting) -> Expected:
        """What one weighs when these hands pipe it."""
        effects = setting.effects(Figure.PIECE, self.piece.form.value, self.origin)
        return setting.record.expected(Figure.PIECE, effects, Estimate.around(each_g, OWN_SIZE, Basis.FORMULA))

    @staticmethod
    def _ten(size: Expected) -> Checkpoint:
        ten = size.modelled.scaled(10)
        return Checkpoint(
            id="ten",
            name="Ten of them",
            confirms="Piped",
            sees="All of one size: ten of them on the zeroed scale tell it.",
            band=Band(
                quantity=Quantity.TEN_PIECES,
                unit="g",
                range=ten,
                below=Side(word="small", means="More and smaller ones: done sooner, and dry.", can_do="Press longer."),
                above=Side(
                    word="large", means="Fewer and larger ones: they touch, and bake longer.", can_do="Stop sooner."
                ),
            ),
        )

    def _ready(self, trays: int, content: Material) -> tuple[MakeReady, ...]:
        """For all of them: what is laid out over trays is piped from one bag."""
        of_many = self.tray.of_many if self.tray else 1
        trays *= of_many
        bags = math.ceil(of_many * content.volume_ml.likely / deposit.bag_ml() - 1e-9)
        filled = "" if bags <= 1 else f"; filled {bags} times, to two thirds"
        return (
            MakeReady(id="bag", name="bag and nozzle", detail=f"fitted, cuffed, standing in a jug{filled}"),
            MakeReady(id="trays", name="trays", detail=f"{trays}, with paper or mat; template below"),
        )

    def _shelf(self, trays: int, setting: Setting) -> tuple[Notice, ...]:
        tins, wanted = setting.tins, self.tray.of_many if self.tray else trays
        if tins.on_shelf is None or wanted <= tins.on_shelf or (self.tray and self.tray.number > 1):
            return ()
        return (
            Notice(
                level="risk",
                text=f"They want {wanted} trays, {tins.on_shelf} stand on the shelf.",
                remedy="Pipe the later ones on paper and slide it onto a cold tray, or enter how many there are in "
                "Kitchen.",
            ),
        )

    @staticmethod
    def _coloured(intake: tuple[Material, ...]) -> tuple[Notice, ...]:
        """What too much colour does, batter by batter."""
        return tuple(
            Notice(level="risk", text=dose.says, remedy="Weigh it: a drop more looks like nothing in the bowl.")
            for batter in intake
            for dose in doses_in(batter)
            if dose.risk is ColourRisk.OVER
        )

    def _striped(self) -> tuple[Notice, ...]:
        if not self.stripes_each or (self.tray and self.tray.number > 1):
            return ()
        return (
            Notice(
                level="note",
                text=f"The first deposits come out pale: the tip holds {deposit.TIP_ML.low:.0f} to "
                f"{deposit.TIP_ML.high:.0f} ml before the stripes run side by side.",
                remedy="Pipe the first two back into the bowl, or put them where they are not seen.",
            ),
        )

    def section(self, material: Material, setting: Setting) -> Section:
        """One piece."""
        return in_tins(setting, material)
