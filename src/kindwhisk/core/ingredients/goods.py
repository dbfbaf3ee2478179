"""A kitchen's own goods, and goods that nobody has told of yet: what is known of them, as ingredients."""

from __future__ import annotations

import hashlib
import re
import unicodedata
from typing import Annotated, Self

from pydantic import Field, field_validator, model_validator

from kindwhisk.core.ingredients.allergens import NAMES, ordered
from kindwhisk.core.ingredients.ingredient import Composition, Ingredient, Piece
from kindwhisk.core.ingredients.known import ingredient, ingredient_table
from kindwhisk.core.values.estimate import Basis
from kindwhisk.core.values.model import Value

UNKNOWN_COLOUR = "#b9b4ab"
CUP_ML = 236.588
DIGEST = 8
KEYED = re.compile(rf"^own-(?P<key>.+)-[0-9a-f]{{{DIGEST}}}$")
Percent = Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]
Words = Annotated[str, Field(min_length=1, max_length=80)]
Grams = Annotated[float, Field(gt=0, le=100_000, allow_inf_nan=False)]


class Label(Value):
    """What a label gives for 100 g; ``carbohydrate`` is without fibre and with its sugars, as European labels have it.

    What they leave of 100 g is taken for water.
    """

    fat: Percent = 0.0
    carbohydrate: Percent = 0.0
    sugars: Percent = 0.0
    fibre: Percent = 0.0
    protein: Percent = 0.0
    salt: Percent = 0.0
    alcohol: Percent = 0.0

    @model_validator(mode="after")
    def _adds_up(self) -> Self:
        if self.sugars > self.carbohydrate + 0.5:
            raise ValueError("'sugars' are more than all of 'carbohydrate': a label counts them in it")
        total = self.fat + self.carbohydrate + self.fibre + self.protein + self.salt + self.alcohol
        if total > 101.0:
            raise ValueError(f"the parts add up to {total:.0f} g of 100 g: read the label again")
        return self

    def composition(self) -> Composition:
        """Its mass fractions."""
        sugars = min(self.sugars, self.carbohydrate)
        parts = {
            "sugars": sugars, "starch": self.carbohydrate - sugars, "fat": self.fat, "protein": self.protein,
            "fibre": self.fibre, "alcohol": self.alcohol, "salt": self.salt,
        }  # fmt: skip
        told = sum(parts.values())
        scale = 1 / max(100.0, told)
        shares = {name: round(value * scale, 6) for name, value in parts.items()}
        return Composition(**shares, water=max(0.0, round(1 - sum(shares.values()), 6)))


class Good(Value):
    """A good of a kitchen's own, as its baker told of it.

    Attributes:
        key: its id on the shelf; empty for a good of which only a recipe's words are known.
        synonyms: other names by which recipes may mean it.
        stands_for: an ingredient of the table that it counts as in all sums; its ``label``, if given, leads over that
            one's composition.
        density_g_per_ml: free of gas; from the composition where it is not given.
        cup_g, piece_g, piece_mm, pack_g: what a levelled cup (236.6 ml), a piece and a pack weigh; a piece's width.
        allergens, may_contain: by name; ``label_read`` is False until somebody has looked.
        price_per_kg: in the kitchen's own money.
    """

    key: str = Field(default="", max_length=30)
    name: Words
    synonyms: tuple[Words, ...] = Field(default=(), max_length=20)
    stands_for: str = Field(default="", max_length=60)
    label: Label | None = None
    density_g_per_ml: Annotated[float, Field(ge=0.02, le=3, allow_inf_nan=False)] | None = None
    cup_g: Grams | None = None
    piece_g: Grams | None = None
    piece_mm: Annotated[float, Field(ge=0.5, le=300, allow_inf_nan=False)] | None = None
    pack_g: Grams | None = None
    allergens: tuple[Words, ...] = Field(default=(), max_length=40)
    may_contain: tuple[Words, ...] = Field(default=(), max_length=40)
    label_read: bool = False
    price_per_kg: Annotated[float, Field(ge=0, le=100_000, allow_inf_nan=False)] | None = None

    @field_validator("allergens", "may_contain")
    @classmethod
    def _listed(cls, names: tuple[str, ...]) -> tuple[str, ...]:
        strange = [n for n in names if n not in NAMES]
        if strange:
            raise ValueError(f"'{strange[0]}' is not an allergen of the list; use one of: {', '.join(NAMES)}")
        return ordered(names)

    @model_validator(mode="after")
    def _known_stand_in(self) -> Self:
        if self.stands_for and self.stands_for not in ingredient_table():
            raise ValueError(f"'stands_for': the ingredient table has no '{self.stands_for}'; choose one of its foods")
        return self

    @property
    def composed(self) -> bool:
        """Whether it is known what it is made of."""
        return bool(self.stands_for) or self.label is not None

    @property
    def id(self) -> str:
        """Of the ingredient that it is: it changes with all that enters a computation, and with nothing else."""
        meant = self.model_dump(mode="json", exclude={"price_per_kg", "synonyms", "key"})
        digest = hashlib.sha256(repr(sorted(meant.items())).encode()).hexdigest()[:DIGEST]
        return f"own-{self.key}-{digest}" if self.key else f"unknown-{slug(self.name)[:24]}-{digest}"

    def ingredient(self) -> Ingredient:
        """It as an ingredient; what is not known of it counts by weight alone, and the ingredient says so."""
        base = ingredient(self.stands_for) if self.stands_for else None
        composition = self.label.composition() if self.label else base.composition if base else Composition(other=1.0)
        same = base is not None and self.label is None
        density = self.density_g_per_ml or (base.density_g_per_ml if base and same else None)
        if density is None:
            density = round(composition.density_g_per_ml(), 3) if self.composed else 1.0
        bulk = self.cup_g / CUP_ML if self.cup_g else base.bulk_g_per_ml if base else density
        piece = base.piece if base else None
        if self.piece_g is not None:
            piece = Piece(grams=self.piece_g, size_mm=self.piece_mm or _across_mm(self.piece_g, density))
        return Ingredient(
            id=self.id,
            name=self.name,
            kind=base.kind if base else _kind(composition) if self.composed else "unknown",
            composition=composition,
            density_g_per_ml=density,
            bulk_g_per_ml=round(bulk, 4),
            colour=base.colour if base else UNKNOWN_COLOUR,
            allergens=self.allergens,
            often=ordered(set(self.may_contain) - set(self.allergens)),
            check_label=bool(self.may_contain),
            known=self.composed,
            allergens_known=self.label_read,
            stands_for=base.counts_as if base else "",
            piece=piece,
            pack_g=self.pack_g,
            tint=base.tint if base else 1.0,
            basis=Basis.KITCHEN if self.label_read else Basis.RECALLED,
            source=self._source(base),
        )

    def _source(self, base: Ingredient | None) -> str:
        if self.label is not None:
            return "its label, as this kitchen read it; water is what the label leaves"
        return f"counts as {base.name}" if base else "not known: its weight alone"


def _across_mm(grams: float, density: float) -> float:
    """Across a ball of that mass."""
    return round(float((6 * grams / density / 3.14159) ** (1 / 3) * 10), 1)


def _kind(composition: Composition) -> str:
    """What a good does in a batter, by what it is most of."""
    if composition.water > 0.5:
        return "liquid"
    shares = {"sugar": composition.sugars, "flour": composition.starch, "fat": composition.fat}
    most = max(shares, key=lambda k: shares[k])
    return most if shares[most] > 0.5 else "bought"


def slug(name: str) -> str:
    """A key from a name."""
    plain = unicodedata.normalize("NFKD", name.lower().replace("đ", "d")).encode("ascii", "ignore").decode()
    made = re.sub(r"[^a-z0-9]+", "-", plain).strip("-")
    return made[:30].strip("-") or hashlib.sha256(name.encode()).hexdigest()[:6]


def unknown(words: str) -> Good:
    """A good of which only the words of a recipe are known."""
    return Good(name=words.strip()[:80] or "something")


def key_of(ingredient_id: str) -> str:
    """The key on the shelf of a kitchen's own good; empty for what is not one."""
    found = KEYED.match(ingredient_id)
    return found["key"] if found else ""


def shelf_key(ingredient_id: str) -> str:
    """What a thing on the shelf goes by, whatever its label says by now: a good's key, else the ingredient's id."""
    return key_of(ingredient_id) or ingredient_id
