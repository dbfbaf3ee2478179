"""Every learned figure is a row of dots: what earlier bakes showed is worked out anew when it is first asked for.

A bake that runs while the file is opened goes on with what its formula's model says: what it had been told of earlier
ones does not say which mixer or kind of foam it was.
"""

import json

from peewee import SqliteDatabase

OF_SUMMARIES = {"times", "kept", "modelled_mm"}
OF_RECORDS = {"times", "densities", "kept", "heights"}


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Rewrite bakes without what is not kept any more."""
    query = """SELECT "id", "document", "summary" FROM "bakerow\""""
    for key, text, kept in db.execute_sql(query).fetchall():  # type: ignore[no-untyped-call]
        document, summary = json.loads(text), json.loads(kept) if kept else None
        record = {k: v for k, v in (document.get("record") or {}).items() if k not in OF_RECORDS}
        if summary:
            summary = {k: v for k, v in summary.items() if k not in OF_SUMMARIES}
        db.execute_sql(  # type: ignore[no-untyped-call]
            """UPDATE "bakerow" SET "document" = ?, "summary" = ? WHERE "id" = ?""",
            (json.dumps(document | {"record": record}), json.dumps(summary) if kept else None, key),
        )
