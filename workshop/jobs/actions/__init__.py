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
from workshop.jobs.actions.facts import Seeing, clock_off, observe, withdraw_reading
from workshop.jobs.actions.files import take_in_job, take_in_readings
from workshop.jobs.actions.landing import (
    Desk,
    Landed,
    Landing,
    Place,
    SittingForm,
    gauge_of,
    interpret,
    land_reading,
    land_readings,
    sitting_from,
)
from workshop.jobs.actions.opened import Opened, job_record, open_job
from workshop.jobs.actions.reading_up import budgets_of, story_of
from workshop.jobs.actions.work import Doing, SlipReply, answer_slip, do_operation

__all__ = [
    "BookIn",
    "Deciding",
    "Desk",
    "Doing",
    "Header",
    "Landed",
    "Landing",
    "Opened",
    "Place",
    "Seeing",
    "SittingForm",
    "SlipReply",
    "answer_slip",
    "archive_job",
    "book_in",
    "budgets_of",
    "change_header",
    "change_plan",
    "clock_off",
    "decide",
    "do_operation",
    "gauge_of",
    "interpret",
    "job_record",
    "land_reading",
    "land_readings",
    "observe",
    "open_job",
    "sign",
    "sitting_from",
    "story_of",
    "take_back_decision",
    "take_in_job",
    "take_in_readings",
    "take_up_limits",
    "withdraw_reading",
    "withdraw_signature",
]
