"""Everything that changes a job: one short file a kind of change. May they, load, check, save and history."""

from workshop.jobs.actions.booking import (
    BookIn,
    Header,
    archive_job,
    book_in,
    change_header,
    change_plan,
    take_up_limits,
)
from workshop.jobs.actions.deciding import Deciding, decide, sign, take_back_decision, withdraw_signature
from workshop.jobs.actions.facts import (
    Landing,
    Seeing,
    interpret,
    land_reading,
    observe,
    withdraw_reading,
)
from workshop.jobs.actions.files import take_in_job, take_in_readings
from workshop.jobs.actions.opened import Opened, job_record, open_job

__all__ = [
    "BookIn",
    "Deciding",
    "Header",
    "Landing",
    "Opened",
    "Seeing",
    "archive_job",
    "book_in",
    "change_header",
    "change_plan",
    "decide",
    "interpret",
    "job_record",
    "land_reading",
    "observe",
    "open_job",
    "sign",
    "take_back_decision",
    "take_in_job",
    "take_in_readings",
    "take_up_limits",
    "withdraw_reading",
    "withdraw_signature",
]
