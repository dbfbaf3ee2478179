"""The tables."""

from __future__ import annotations

from typing import TypeVar, cast

from peewee import (
    AutoField,
    BlobField,
    CharField,
    FloatField,
    IntegerField,
    JSONField,
    Model,
    SqliteDatabase,
    TextField,
)


class Table(Model):
    """A table in the data file. Moments are ISO 8601 text in UTC.

    The classes here are bound to no database: each open store queries its own copies (:func:`bound`).
    """


T = TypeVar("T", bound=Table)


def bound(table: type[T], database: SqliteDatabase) -> type[T]:
    """The table in this database: a class of its own, so that several data files can be open side by side."""
    meta = type("Meta", (), {"database": database, "table_name": table._meta.table_name})
    return cast("type[T]", type(table.__name__, (table,), {"Meta": meta}))


class KitchenRevision(Table):
    """The kitchen profile as it was saved each time; the last one is in force."""

    id = AutoField()
    saved_at = CharField()
    document = TextField()


class FormulaVersion(Table):
    """A version of a formula; versions are never changed."""

    id = AutoField()
    formula = CharField(index=True)
    version = IntegerField()
    title = CharField()
    technique = CharField()
    saved_at = CharField()
    document = TextField()

    class Meta:
        """One row a version."""

        indexes = ((("formula", "version"), True),)


class BakeRow(Table):
    """A bake: what it started from. What happened in it is in its events."""

    id = CharField(primary_key=True)
    formula = CharField(index=True)
    version = IntegerField()
    title = CharField()
    started_at = CharField(index=True)
    status = CharField(index=True)
    client_key = CharField(unique=True)
    document = TextField()
    summary = JSONField(null=True)


class EventRow(Table):
    """One event of a bake; append-only. ``id`` runs over all bakes and numbers the live stream."""

    id = AutoField()
    bake = CharField(column_name="bake_id")
    sequence = IntegerField()
    at = CharField()
    kind = CharField()
    payload = TextField()
    client_key = CharField()

    class Meta:
        """A repeated key of a bake is refused by the file itself."""

        indexes = ((("bake", "sequence"), True), (("bake", "client_key"), True))


class ProbeReading(Table):
    """A temperature from an outside probe: as it was read and set right by the thermometer's check, both in C.

    ``at_ms`` counts milliseconds since 1970 in UTC. ``told_ms`` is what a device whose clock is wrong said of the
    moment; its readings are placed by when they came.
    """

    id = AutoField()
    probe = CharField()
    key = CharField()
    at_ms = IntegerField()
    read_c = FloatField()
    celsius = FloatField()
    told_ms = IntegerField(null=True)

    class Meta:
        """A repeated key of a probe is refused by the file itself."""

        indexes = ((("probe", "key"), True), (("probe", "at_ms"), False))


class OvenNote(Table):
    """Something noted of an oven, or (with an empty one) of what was learned; append-only."""

    id = AutoField()
    oven = CharField(index=True)
    at = CharField()
    kind = CharField()
    payload = TextField()
    client_key = CharField(unique=True)


class CheckpointRow(Table):
    """What the thermometers of a running step had told by a moment; it spares reading all of them again.

    ``basis`` is what it was worked out from: where that has changed, it counts for nothing. ``upto_id`` is the newest
    probe reading that lay on the disk then, ``memory`` what was told, as JSON.
    """

    id = AutoField()
    bake = CharField(column_name="bake_id")
    step = CharField()
    at_ms = IntegerField()
    basis = CharField()
    upto_id = IntegerField()
    memory = BlobField()

    class Meta:
        """One at a moment."""

        table_name = "checkpoint"
        indexes = ((("bake", "step", "at_ms"), True),)


class GoodRow(Table):
    """A good of the kitchen's own, as it is now."""

    key = CharField(primary_key=True)
    name = CharField(index=True)
    saved_at = CharField()
    document = TextField()

    class Meta:
        """By its key."""

        table_name = "good"


class ProbeTally(Table):
    """How many readings a probe has sent."""

    probe = CharField(primary_key=True)
    readings = IntegerField()


class SessionRow(Table):
    """A device that was let in, by digests of its token and of the passcode that it gave."""

    id = AutoField()
    token_hash = CharField(unique=True)
    passcode_hash = CharField()
    device = CharField()
    made_at = CharField()
    seen_at = CharField()

    class Meta:
        """Of devices, not of the database's."""

        table_name = "session"


class ClockMove(Table):
    """The clock of the machine was moved; see :class:`~kindwhisk.bench.clock.Moved`."""

    id = AutoField()
    at = CharField()
    wall_at = CharField()
    moved_s = FloatField()
    lead_s = FloatField()


class GlanceRow(Table):
    """What the Book shows of a formula; ``basis`` is what it was worked out from."""

    formula = CharField(primary_key=True)
    basis = CharField()
    document = TextField()

    class Meta:
        """Of one formula."""

        table_name = "glance"


class QuestionRow(Table):
    """A question that is open on a formula, or was, with what was tried."""

    id = CharField(primary_key=True)
    formula = CharField(index=True)
    client_key = CharField(unique=True)
    saved_at = CharField()
    document = TextField()

    class Meta:
        """Of formulas."""

        table_name = "open_question"


class OrderRow(Table):
    """An order, as it is now."""

    id = CharField(primary_key=True)
    client_key = CharField(unique=True)
    saved_at = CharField()
    document = TextField()

    class Meta:
        """Of a day, not SQL's own word."""

        table_name = "day_order"


class DueBake(Table):
    """A bake that was begun for what was due; one bake may be for several orders, an order of several lost bakes."""

    id = AutoField()
    due = CharField(index=True)
    bake = CharField(column_name="bake_id")

    class Meta:
        """Of both."""

        table_name = "due_bake"


class DayPlanRow(Table):
    """A plan that was taken for a day; the last one of a day is in force."""

    id = AutoField()
    day = CharField(index=True)
    made_at = CharField()
    document = TextField()

    class Meta:
        """One row a plan."""

        table_name = "day_plan"


class StockRow(Table):
    """What there is of an ingredient."""

    ingredient = CharField(primary_key=True)
    saved_at = CharField()
    document = TextField()

    class Meta:
        """By its ingredient."""

        table_name = "stock"
