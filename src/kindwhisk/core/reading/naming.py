"""A kitchen's own goods by their names, and any good by what somebody types."""

from __future__ import annotations

from collections.abc import Iterable, Sequence

from kindwhisk.core.ingredients import ingredient_table
from kindwhisk.core.ingredients.goods import Good
from kindwhisk.core.reading.names.lexicon import Shelf, table_names
from kindwhisk.core.reading.plain import folded, plain


def shelf_of(goods: Iterable[Good]) -> Shelf:
    """The names of a kitchen's own goods, as the reader takes them."""
    return tuple((plain(name), good.id) for good in goods for name in (good.name, *good.synonyms))


def _rank(wanted: str, name: str) -> int | None:
    """How well a name fits: 0 is it, then one that begins so, then a word of it that does, then one that holds it."""
    if name == wanted:
        return 0
    if name.startswith(wanted):
        return 1
    if any(word.startswith(wanted) for word in name.split()):
        return 2
    return 3 if wanted in name else None


def found_by(text: str, goods: Sequence[Good] = ()) -> list[str]:
    """Ids of all goods of which a name holds ``text``, the best first; the kitchen's own before the table's."""
    wanted = folded(plain(text))
    rows: list[tuple[str, tuple[str, ...], bool]] = [(g.id, (g.name, *g.synonyms), True) for g in goods]
    names = table_names()
    rows += [(i, (item.name, *names.get(i, ())), False) for i, item in ingredient_table().items()]
    found = []
    for ingredient_id, known, own in rows:
        ranks = [r for n in known if (r := _rank(wanted, folded(plain(n)))) is not None]
        if ranks:
            found.append((min(ranks), not own, len(known[0]), ingredient_id))
    return [f[3] for f in sorted(found)]
