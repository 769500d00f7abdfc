"""What other house rules would change of the open jobs, asked job by job before they are kept."""

from django.http import HttpRequest
from ninja import Router, Schema

from halfthou.assess import judge
from halfthou.jobs import HouseRules, Job, noted
from halfthou.lengths import Unit
from workshop.house.actions import HouseRulesForm, rules_from
from workshop.people.api import signed_in
from workshop.people.may import Act, must
from workshop.record.models import JobRecord
from workshop.record.opened import job_record, sound_job, standing_signature

router = Router(tags=["house rules"])


class OpenJob(Schema):
    """An open job as other rules are tried on it."""

    id: int
    number: str
    title: str


class WouldChange(Schema):
    """What other rules would change of one job: whether it reads any that differs, and a line to each set, none
    where nothing."""

    id: int
    reads: bool
    lines: list[str]


@router.get("/house-rules/open-jobs", response=list[OpenJob])
def get_open_jobs(request: HttpRequest) -> list[OpenJob]:
    """The jobs that are judged by the rules in force: neither signed nor put away."""
    must(signed_in(request), Act.KEEP_HOUSE_RULES)
    rows = JobRecord.objects.filter(archived=False).order_by("pk")
    still = [row for row in rows if standing_signature(row) is None and row.limits_id is not None]
    return [OpenJob(id=row.pk, number=row.number, title=row.title) for row in still]


@router.post("/house-rules/would-change/{int:job_id}", response=WouldChange)
def would_change(request: HttpRequest, job_id: int, given: HouseRulesForm) -> WouldChange:
    """What these rules would change of one job."""
    person = signed_in(request)
    must(person, Act.KEEP_HOUSE_RULES)
    job = sound_job(job_record(job_id), Unit(person.shown_unit))
    lines = _lines(job, rules_from(given))
    return WouldChange(id=job_id, reads=lines is not None, lines=lines or [])


def _lines(job: Job, rules: HouseRules) -> list[str] | None:
    """A line to each set whose verdict would be another; None of a job that reads no rule that differs."""
    differs = {name for name, value in job.house_rules if getattr(rules, name) != value}
    if not differs:
        return None
    asked = noted(job.house_rules)
    now = judge(job.model_copy(update={"house_rules": asked}))
    if not differs & asked.asked:
        return None
    then = judge(job.model_copy(update={"house_rules": rules}))
    found = []
    for one in now.decided:
        before, after = (judged.headline(one, job.shown_in) for judged in (now, then))
        if before != after:
            found.append(f"{now.engine.kinds.set_name(one)}: {before}, would be {after}")
    return found
