"""The teacher's settings."""

from __future__ import annotations

from fastapi import APIRouter

from orthopsis.school.settings import Settings, save_settings, settings_of
from orthopsis.web.context import AtWork, Records
from orthopsis.web.problems import PROBLEMS

router = APIRouter(prefix="/api", tags=["teacher"], responses=PROBLEMS)


@router.get("/settings")
def read_settings(session: Records, teacher: AtWork) -> Settings:
    """How the teacher likes it."""
    return settings_of(session, teacher.id)


@router.put("/settings")
def write_settings(settings: Settings, session: Records, teacher: AtWork) -> Settings:
    """Keep how the teacher likes it."""
    save_settings(session, teacher.id, settings)
    return settings
