"""The Log: bakes found and compared, trends, why one failed, photos, questions, and all of it as files."""

from fastapi import APIRouter

from kindwhisk.api.routers.log import comparing, diagnosing, files, finding, photos, questions

router = APIRouter()
for part in (finding, comparing, diagnosing, photos, questions, files):
    router.include_router(part.router)
