"""Everything that changes a job: one short file a kind of change. May they, load, check, save and history."""

from workshop.house.looks import look_table_in_force as look_table
from workshop.jobs.actions.at_the_door import ChoosingWay, SettingStop, Telling
from workshop.jobs.actions.booking import (
    BookIn,
    Header,
    archive_job,
    book_in,
    change_header,
    change_plan,
    take_up_limits,
)
from workshop.jobs.actions.cause import CarryingPart, DealingWith, Removing, SayingCause, SendingReport
from workshop.jobs.actions.deciding import (
    Deciding,
    decide,
    sign,
    take_back_decision,
    take_up_decision,
    withdraw_signature,
)
from workshop.jobs.actions.desk import Desk, SpotRef, gauge_of, interpret
from workshop.jobs.actions.door import OneOfSeveral, land_facts, reported_fact
from workshop.jobs.actions.evidence import Mistrusting, Reporting, SayingWay
from workshop.jobs.actions.facts import Extending, TakingBack, clock_off, extend_scope, take_back
from workshop.jobs.actions.files import compare_readings, take_in_job, take_in_readings, take_in_zip
from workshop.jobs.actions.landing import (
    Landed,
    Landing,
    SittingForm,
    land_reading,
    land_readings,
    sitting_from,
)
from workshop.jobs.actions.open_ends import (
    ClosingEnd,
    FindingFragment,
    HandingOver,
    SeeingFastener,
    TakingOut,
)
from workshop.jobs.actions.opened import Opened, job_record, judged_together, looked_at, open_job, sound_job
from workshop.jobs.actions.pictures import (
    TakingPicture,
    add_picture,
    alike,
    files_of,
    jobs_with_pictures,
    names_of,
    picture_of,
)
from workshop.jobs.actions.pieces import BringingIn, FittingIn, bring_in, fit
from workshop.jobs.actions.reading_up import budgets_of, story_of
from workshop.jobs.actions.seeing import Seeing, see
from workshop.jobs.actions.strip import DoingStep, LayingPart, MarkingPart
from workshop.jobs.actions.work import Doing, SlipReply, answer_slip, do_operation
