"""Days: orders, their plans, and what is around them."""

from fastapi import APIRouter

from kindwhisk.api.routers.days import around, orders, planning, stock

router = APIRouter()
for part in (orders, stock, planning, around):
    router.include_router(part.router)
