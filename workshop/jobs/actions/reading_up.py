"""Reading up on a job: the budgets of a part, and the job as a story. Nothing is changed."""

from halfthou.assess import open_budgets
from halfthou.jobs import StoryKind
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE
from halfthou.report import BudgetShown, StoryLine
from halfthou.story import story
from workshop.people.models import Person
from workshop.people.refusals import NotThere
from workshop.record.models import HistoryEntry
from workshop.record.opened import job_record, sound_job

#: History of earlier versions that tells of a fact which the story tells anyway, or of its outcome.
_TOLD_BY_FACTS = ("withdrew ", "took back: ", "brought in ", "said how the oil runs")


def budgets_of(person: Person, job_id: int, part: str) -> list[BudgetShown]:
    """The uncertainty budgets of one part. Refuses: NotThere."""
    job = sound_job(job_record(job_id), Unit(person.shown_unit))
    known = CATALOGUE.engine_of(job).parts.get(part)
    if known is None or known.beside or known.set not in job.sets:
        raise NotThere("no-journal", f"This job judges no {part}.")
    return list(open_budgets(job, part))


def story_of(person: Person, job_id: int) -> list[StoryLine]:
    """The facts of a job and what people decided about it, oldest first."""
    record = job_record(job_id)
    job = sound_job(record, Unit(person.shown_unit))
    lines = story(job, CATALOGUE.engine_of(job))
    facts = {(line.by, line.words) for line in lines}
    decided = (
        StoryLine(at=entry.at, by=entry.by, kind=StoryKind.DECIDED, words=entry.words)
        for entry in record.history.order_by("pk")
        if (entry.by, entry.words) not in facts and _worth_telling(entry)
    )
    return sorted((*lines, *decided), key=lambda line: line.at)


def _worth_telling(entry: HistoryEntry) -> bool:
    return not entry.words.startswith(_TOLD_BY_FACTS) and " readings made stale" not in entry.words
