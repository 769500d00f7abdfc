"""What was found is carried wherever the job goes: it stands on the printed sheet, in the report to the
customer, in the story and in the job file. Over every dangerous answer, by hand in
tests/core/test_every_answer.py."""

from __future__ import annotations

import html

import pytest

from halfthou.assess import assess, evidence_standing
from halfthou.evidence import customer_report
from halfthou.exchange import read_job, write_job
from halfthou.jobs import Job, JobFile
from halfthou.looks import Does, Effect
from halfthou.parts import CATALOGUE
from halfthou.story import story
from tests.core.test_every_answer import DANGEROUS, TRIED, Tried
from tests.making import engine_of
from workshop.jobs import actions
from workshop.pages.printing import sheet_html
from workshop.people.models import Person


def faulty(kind: str, key: str, text: str) -> Job:
    row = CATALOGUE.looks[key]
    answer = row.answer(text)
    assert answer is not None
    return Tried(kind, row, answer, Effect(Does.RECORDS)).job()


@pytest.mark.django_db
@pytest.mark.parametrize(("kind", "key", "text"), [row[:3] for row in DANGEROUS], ids=str)
def test_a_fault_stands_on_the_sheet_in_the_story_and_in_the_file(
    kind: str, key: str, text: str, machinist: Person
) -> None:
    one = faulty(kind, key, text)
    file = write_job(JobFile(job=one))
    assert any(seen.look == key and seen.answer == text for seen in read_job(file).job.seen)
    assert any(text in line.words for line in story(one, engine_of(one)))
    told = customer_report(evidence_standing(one), assess(one))
    assert any(text in finding.words for finding in told.findings)
    opened = actions.take_in_job(machinist, file)
    page = html.unescape(sheet_html(opened))
    assert f"{key}: {text}" in page
    assert any(f"{key}: {text}" in words for words in opened.assessment.part(TRIED[kind]).found)
