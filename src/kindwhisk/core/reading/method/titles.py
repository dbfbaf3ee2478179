"""What a step that was read in is called."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.reading.method.making import Made

SKIN_FROM_MIN = 8.0
"""A piped piece that is left longer than this is left for a skin. Trade habit."""
LONGEST = 80


def for_a_skin(made: Made) -> bool:
    """Whether a rest is one of pieces before the oven, in which a skin forms."""
    piped = any(m.kind is PipeStep for m in made.upstream()) and not made.baked
    return piped and float(made.fields.get("minutes", 0)) > SKIN_FROM_MIN


def title_of(made: Made) -> str:
    """A few words for what is done to what."""
    kind = str(made.kind.model_fields["kind"].default)
    own = names([t.ingredient for t in made.takes])
    into = names([_called(u.made) for u in made.uses])
    others = own or names([_called(u.made) for u in made.uses[1:]])
    what = names([*(t.ingredient for t in made.takes), *(_called(u.made) for u in made.uses)])
    stirred = f"{own} into {into}" if own and len(made.uses) == 1 else what
    words = str(made.fields.get("does", "")).strip()
    named = {
        "sift": f"Sift {what}", "mix": f"Stir {stirred}", "whip": f"Whip {what}", "warm": f"Warm {what}", "boil": "Boil the syrup",
        "stream": "Pour the syrup in and whip", "fold": f"Fold in {others or what}", "macaronage": "Macaronage",
        "split": "Take a part of it", "fill": f"Fill the {made.vessel.split('-')[0]}", "pipe": "Pipe",
        "knock": "Knock the large bubbles out", "bake": "Bake", "invert": "Turn it upside down", "cool": "Cool it",
        "turn-out": "Turn it out", "rest": "Rest until a skin forms" if for_a_skin(made) else "Leave it", "chill": "Chill",
        "soak": f"Soak with {others}", "assemble": _joined(made, own), "roll": "Roll it up",
        "hand": (words[:1].upper() + words[1:])[:60] or "By hand",
    }.get(kind, kind.capitalize())  # fmt: skip
    return named.strip()[:LONGEST]


def _joined(made: Made, own: str) -> str:
    unweighed = names(made.fields.get("without_amount", []))
    what = own or names([_called(u.made) for u in made.uses[1:]]) or unweighed or "it"
    titles = {
        Joining.LAYER: f"Layer with {what}", Joining.SPREAD: f"Spread with {what}", Joining.LINE: "Line the ring",
        Joining.SANDWICH: f"Sandwich with {what}", Joining.TOP: f"Top with {what}", Joining.GLAZE: f"Coat with {what}",
        Joining.DUST: f"Dust with {what}" if own else "Dust", Joining.TORCH: "Brown it",
    }  # fmt: skip
    return titles.get(made.fields.get("joining", Joining.LAYER), "Put it together")


def names(ids: Sequence[str]) -> str:
    """Ingredients by their names, at most three; a word marked with ``~`` stands for a result."""
    names = list(dict.fromkeys(ingredient(i).name.split(", ")[0] if not i.startswith("~") else i[1:] for i in ids))
    if len(names) > 3:
        names = [*names[:2], "more"]
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}" if names else ""


def _called(made: Made) -> str:
    """A short name of a result, marked so that it is not taken for an ingredient."""
    if made.baked:
        return "~it"
    if len(made.raw_ids) == 1:
        return next(iter(made.raw_ids))
    if made.white_foam:
        return "~the whites"
    if made.is_cream:
        return "~the cream"
    if made.syrup:
        return "~the syrup"
    if made.dry:
        return "~the dry goods"
    return "~the batter" if made.floury else "~the base"


def plainly(made: Made) -> str:
    """A result as a sentence names it: “the cream”, “the rum”, “what is baked”."""
    if made.baked:
        return "what is baked"
    name = names([_called(made)])
    return name if name.startswith("the ") else f"the {name}"
