"""What past bakes tell a formula that has been changed since."""

from __future__ import annotations

from peewee import SqliteDatabase

from kindwhisk.bench.hub import Hub
from kindwhisk.bench.record import kitchen_record
from kindwhisk.bench.service import Bench
from kindwhisk.core.balance import Method
from kindwhisk.core.process.meringue import with_method
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.demo.seed import seed


def test_a_meringue_made_otherwise_learns_nothing_from_the_old_one(database: SqliteDatabase) -> None:
    assert database.is_connection_usable()
    seed(Bench(Hub()))
    own = kitchen_record(tea_chiffon())
    assert len(own.densities["whip"]) == 5
    for method in (Method.SWISS, Method.SYRUP):
        changed = kitchen_record(with_method(tea_chiffon(), "whip", method))
        assert "whip" not in changed.times
        assert "whip" not in changed.densities
        # The oven is the same one.
        assert changed.times["preheat-bake"] == own.times["preheat-bake"]
