"""What bakes are looked for by: marks (class, oven, hands, fault, stars, confirmed cause) and words; and questions that stay open.

The file itself keeps marks and words, whoever writes a bake or an event, so that they can't go astray.
"""

from peewee import SqliteDatabase

DOCUMENT = """(CASE WHEN json_valid({b}."document") THEN {b}."document" ELSE '{{}}' END)"""
SUMMARY = """(CASE WHEN json_valid({b}."summary") THEN {b}."summary" ELSE '{{}}' END)"""
BY_DOCUMENT = (("class", "$.formula.technique"), ("oven", "$.oven"), ("hands", "$.hands"))
TELLING = "('note_added', 'outcome_recorded', 'step_skipped', 'bake_abandoned', 'begun_again')"
TEXTS = ("$.text", "$.reason", "$.note", "$.crumb")


def _marked(b: str, source: str = "") -> list[str]:
    """Statements that mark the bakes of a row or table by what they were made with."""
    document = DOCUMENT.format(b=b)
    return [
        f"""INSERT OR IGNORE INTO "bake_mark" SELECT {b}."id", '{mark}', json_extract({document}, '{path}'),
            {b}."started_at" {source} WHERE coalesce(json_extract({document}, '{path}'), '') <> ''"""
        for mark, path in BY_DOCUMENT
    ]


def _told(b: str, source: str = "") -> list[str]:
    """Statements that mark them by how they came out."""
    summary, also = SUMMARY.format(b=b), f"{source}," if source else "FROM"
    return [
        f"""INSERT OR IGNORE INTO "bake_mark" SELECT {b}."id", 'stars', CAST(json_extract({summary}, '$.stars') AS TEXT),
            {b}."started_at" {source} WHERE json_extract({summary}, '$.stars') IS NOT NULL""",
        f"""INSERT OR IGNORE INTO "bake_mark" SELECT {b}."id", 'fault', f."value", {b}."started_at"
            {also} json_each({summary}, '$.faults') AS f""",
        f"""INSERT OR IGNORE INTO "bake_mark" SELECT {b}."id", 'confirmed', json_extract(f."value", '$.cause'),
            {b}."started_at" {also} json_each({summary}, '$.confirmed') AS f""",
    ]


def _words(e: str) -> str:
    """The words of an event."""
    return _words_of(f"""(CASE WHEN json_valid({e}."payload") THEN {e}."payload" ELSE '{{}}' END)""")


def _words_of(payload: str) -> str:
    """What somebody wrote, in a document."""
    texts = " || ' ' || ".join(f"coalesce(json_extract({payload}, '{path}'), '')" for path in TEXTS)
    return f"""{texts} || ' ' ||
        coalesce((SELECT group_concat(f."value", ' ') FROM json_each({payload}, '$.faults') AS f), '')"""


def _trigger(name: str, when: str, statements: list[str]) -> str:
    return f'CREATE TRIGGER "{name}" {when} BEGIN {"; ".join(statements)}; END'


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the tables, have them kept, and fill them."""
    titled = """INSERT INTO "bake_words" ("rowid", "words") {of}"""
    numbered = """INSERT OR IGNORE INTO "bake_number" ("bake") {of}"""
    # What the words belong to is read off their row's number, without looking at the row.
    place = """(SELECT n."number" << 20 FROM "bake_number" AS n WHERE n."bake" = {bake})"""
    for sql in (
        """CREATE TABLE "bake_mark" ("bake" TEXT NOT NULL, "mark" TEXT NOT NULL, "value" TEXT NOT NULL,
            "started_at" TEXT NOT NULL, PRIMARY KEY ("bake", "mark", "value")) WITHOUT ROWID""",
        """CREATE INDEX "bake_mark_found" ON "bake_mark" ("mark", "value", "started_at", "bake")""",
        """CREATE TABLE "bake_number" ("number" INTEGER PRIMARY KEY, "bake" TEXT NOT NULL UNIQUE)""",
        """CREATE VIRTUAL TABLE "bake_words" USING fts5("words", content = '', tokenize = 'unicode61')""",
        """CREATE TABLE "open_question" ("id" TEXT NOT NULL PRIMARY KEY, "formula" TEXT NOT NULL,
            "client_key" TEXT NOT NULL UNIQUE, "saved_at" TEXT NOT NULL, "document" TEXT NOT NULL)""",
        """CREATE INDEX "open_question_formula" ON "open_question" ("formula")""",
        *_marked("b", 'FROM "bakerow" AS b'),
        *_told("b", 'FROM "bakerow" AS b'),
        numbered.format(of="""SELECT "id" FROM "bakerow\""""),
        titled.format(of=f"""SELECT {place.format(bake='b."id"')}, b."title" FROM "bakerow" AS b"""),
        titled.format(
            of=f"""SELECT {place.format(bake='e."bake_id"')} | e."sequence", {_words("e")} FROM "eventrow" AS e
            WHERE e."kind" IN {TELLING}"""
        ),
        _trigger(
            "bake_begun",
            'AFTER INSERT ON "bakerow"',
            [
                *_marked("NEW"),
                *_told("NEW"),
                numbered.format(of="""VALUES (NEW."id")"""),
                titled.format(
                    of=f"""VALUES ({place.format(bake='NEW."id"')}, NEW."title" || ' ' || {_words_of(SUMMARY.format(b="NEW"))})"""
                ),
            ],
        ),
        _trigger(
            "bake_told",
            """AFTER UPDATE OF "summary" ON "bakerow" WHEN NEW."summary" IS NOT OLD."summary\"""",
            [
                """DELETE FROM "bake_mark" WHERE "bake" = NEW."id" AND "mark" IN ('stars', 'fault', 'confirmed')""",
                *_told("NEW"),
            ],
        ),
        _trigger(
            "event_told",
            f"""AFTER INSERT ON "eventrow" WHEN NEW."kind" IN {TELLING}""",
            [titled.format(of=f"""VALUES ({place.format(bake='NEW."bake_id"')} | NEW."sequence", {_words("NEW")})""")],
        ),
    ):
        db.execute_sql(sql)  # type: ignore[no-untyped-call]
