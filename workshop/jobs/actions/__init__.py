"""Everything that changes a job: one short file a kind of change. May they, load, check, save and history."""

from workshop.bench.desk import Desk, SpotRef, gauge_of, interpret
from workshop.bench.landing import (
    Landed,
    Landing,
    SittingForm,
    land_reading,
    land_readings,
    sitting_from,
)
from workshop.bench.pieces import BringingIn, FittingIn, bring_in, fit
from workshop.bench.seeing import Seeing, see
from workshop.bench.work import Doing, SlipReply, answer_slip, do_operation
from workshop.deciding.decisions import (
    Deciding,
    decide,
    sign,
    take_back_decision,
    take_up_decision,
    withdraw_signature,
)
from workshop.evidence.cause import CarryingPart, DealingWith, Removing, SayingCause, SendingReport
from workshop.evidence.reported import Mistrusting, Reporting, SayingWay
from workshop.house.looks import look_table_in_force as look_table
from workshop.jobs.actions.booking import (
    BookIn,
    Header,
    archive_job,
    book_in,
    change_header,
    change_plan,
    put_away,
    take_up_limits,
)
from workshop.jobs.actions.customers import CustomerOut, CustomerReach, customers_like, keep_reach
from workshop.jobs.actions.door import OneOfSeveral, land_facts, reported_fact
from workshop.jobs.actions.files import compare_readings, take_in_job, take_in_readings, take_in_zip
from workshop.jobs.actions.reading_up import budgets_of, story_of
from workshop.jobs.actions.undoing import Undoing, Undone, bring_again, take_back_last
from workshop.record.facts import Extending, TakingBack, clock_off, extend_scope, take_back
from workshop.record.opened import Opened, job_record, judged_together, looked_at, open_job, sound_job
from workshop.strip.at_the_door import ChoosingWay, SettingStop, Telling
from workshop.strip.engine import (
    EditingStrip,
    ForWhom,
    TakingDescription,
    edit_strip,
    edits_of,
    take_up_description,
)
from workshop.strip.open_ends import (
    ClosingEnd,
    FindingFragment,
    HandingOver,
    SeeingFastener,
    TakingOut,
)
from workshop.strip.pictures import (
    TakingPicture,
    add_picture,
    alike,
    as_kept,
    files_of,
    jobs_with_pictures,
    names_of,
    picture_of,
)
from workshop.strip.steps import DoingStep, LayingPart, MarkingPart
