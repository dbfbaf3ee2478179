"""The Book: formulas, scaled and forecast, read in, changed, compared, and given out in open formats."""

from fastapi import APIRouter

from kindwhisk.api.routers.book import changing, files, formulas, glances, meringues, reading

router = APIRouter()
# Fixed addresses before those that hold an id.
for part in (reading, meringues, changing, files, glances, formulas):
    router.include_router(part.router)
