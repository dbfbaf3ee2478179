"""The kitchen's own goods get a table; past bakes keep the compositions that they were made with.

The ingredient table of before is its first: what bakes on disk were reckoned with is named by ``@1`` from here on.
"""

import json
from typing import Any

from peewee import SqliteDatabase

FIRST = frozenset(
    "egg-white egg-yolk whole-egg white-dried white-pasteurised yolk-pasteurised egg-pasteurised egg-dried sugar icing-sugar brown-sugar "
    "dark-brown-sugar invert-syrup maple-syrup molasses isomalt honey glucose-syrup golden-syrup trehalose cake-flour plain-flour strong-flour "
    "wholemeal-flour self-raising-flour rice-flour corn-starch potato-starch tapioca-starch wheat-starch oat-flour almond-flour hazelnut-ground "
    "pistachio-ground walnut-ground pecan-ground sunflower-ground peanut-ground coconut-desiccated sesame-black oil-neutral oil-olive butter "
    "butter-clarified coconut-oil margarine shortening cocoa-butter almond-butter hazelnut-paste cream-cheese mascarpone milk milk-powder cream-35 "
    "evaporated-milk condensed-milk buttermilk yogurt sour-cream milk-skimmed ricotta oat-drink soya-drink coconut-milk water orange-juice "
    "lemon-juice lime-juice citric-acid vinegar-white cream-of-tartar coffee coffee-instant tea-brewed apple-juice rum liqueur wine-sweet "
    "vanilla-extract vanilla-paste lemon-zest orange-zest cinnamon ginger-ground poppy-seed tea-black matcha cocoa chocolate-dark chocolate-white "
    "chocolate-milk pumpkin-puree banana raspberry-puree strawberry-puree mango-puree passion-fruit apple-puree jam gelatine agar baking-powder "
    "baking-soda salt colour-gel".split()
)  # fmt: skip


def _as_made(value: Any) -> Any:
    if isinstance(value, list):
        return [_as_made(v) for v in value]
    if not isinstance(value, dict):
        return value
    if value.get("source") == "ingredient" and value.get("ingredient") in FIRST:
        return {**value, "ingredient": f"{value['ingredient']}@1"}
    return {k: _as_made(v) for k, v in value.items()}


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the table, and let the bakes name what they were made with."""
    for statement in (
        """CREATE TABLE "good" (
            "key" TEXT NOT NULL PRIMARY KEY, "name" TEXT NOT NULL, "saved_at" TEXT NOT NULL, "document" TEXT NOT NULL)""",
        """CREATE INDEX "good_name" ON "good" ("name")""",
    ):
        db.execute_sql(statement)  # type: ignore[no-untyped-call]
    for key, text in db.execute_sql("""SELECT "id", "document" FROM "bakerow" """).fetchall():  # type: ignore[no-untyped-call]
        known = json.loads(text)
        new = _as_made(known)
        if new != known:
            made = json.dumps(new, separators=(",", ":"), ensure_ascii=False)
            db.execute_sql("""UPDATE "bakerow" SET "document" = ? WHERE "id" = ?""", (made, key))  # type: ignore[no-untyped-call]
