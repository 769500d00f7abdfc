"""One key says that eye and nail find nothing: of one part, no test, and over nobody's word. Rule: looks.first."""

from typing import Any

import pytest
from django.utils import timezone

from halfthou.jobs import Look
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord

from .conftest import counted


def see(who: Person, job: JobRecord, on: str, look: str, answer: str, **more: Any) -> Any:
    given = actions.Seeing(id=f"k{next(counted)}", on=on, look=look, answer=answer, at=timezone.now(), **more)
    return actions.see(who, job.pk, given)


def test_one_key_lands_and_the_story_says_so(job: JobRecord, bench: Person, machinist: Person) -> None:
    for look, answer in ((Look.SURFACE, "nail runs clear"), (Look.HEAT, "none")):
        opened = see(bench, job, "R1", look, answer, by_one_key=True)
    assert opened.assessment.part("R1").unseen == ()
    assert opened.assessment.part("R2").unseen == ("surface", "heat colour")
    # Two people press it at one part: nothing is wrong with that.
    see(machinist, job, "R1", Look.SURFACE, "nail runs clear", by_one_key=True)
    told = [line.words for line in actions.story_of(bench, job.pk)]
    assert sum("all by one key" in words for words in told) == 3


@pytest.mark.parametrize(
    ("on", "look", "answer"),
    [
        ("R1", Look.CRACK_TEST, "passed"),
        ("R1", Look.SURFACE, "light marks"),
        ("crank", Look.CRACK_TEST, "passed"),
        ("R1", Look.SEAT, "in place"),
    ],
)
def test_one_key_says_nothing_else(job: JobRecord, bench: Person, on: str, look: str, answer: str) -> None:
    with pytest.raises(Refusal, match="One key says"):
        see(bench, job, on, look, answer, by_one_key=True)
    assert not job.facts.filter(kind="seen").exists()


def test_one_key_goes_over_nobodys_word(job: JobRecord, bench: Person) -> None:
    see(bench, job, "R1", Look.SURFACE, "nail catches", amount=".0008")
    with pytest.raises(Refusal, match="Somebody has said"):
        see(bench, job, "R1", Look.SURFACE, "nail runs clear", by_one_key=True)
    see(bench, job, "R1", Look.HEAT, "none", by_one_key=True)
