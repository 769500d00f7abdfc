"""What door, looks and strip say to the bench and the rack; held by property tests over facts in any order."""

from __future__ import annotations

import random
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.assess import assess, faults_in
from halfthou.exchange import read_job, write_job
from halfthou.jobs import (
    FOUND,
    NOTHING,
    Closed,
    Closing,
    FastenerKind,
    FastenerSeen,
    FastenerState,
    Felt,
    Fragment,
    HandOver,
    Job,
    JobFile,
    Marking,
    Removal,
    Seen,
    StepDone,
    StopPoint,
    StoryKind,
    WayOn,
    Withdrawal,
)
from halfthou.lengths import Notation, Unit
from halfthou.memo import Memo
from halfthou.parts import CATALOGUE
from halfthou.report import StoryLine
from halfthou.story import NamesOfJob, story
from halfthou.strip import StripStep, looks_of, strip_list, strip_report
from tests.conftest import examples
from tests.making import GOOD_ENGINE, job, layout, readings
from tests.stripping import at_the_door, fact, said

SAY = Notation.usual(Unit.INCH)


def told(one: Job) -> list[StoryLine]:
    """The story of a job without what was read and checked."""
    lines = story(one, CATALOGUE.engine_of(one))
    return [line for line in lines if line.kind not in (StoryKind.READ, StoryKind.CHECK)]


def test_a_job_of_which_nothing_was_said_waits_as_it_did_before_there_was_a_door() -> None:
    found = assess(job(looked=False))
    assert found.waits_for == "the first reading"
    assert found.notices == ()


@pytest.mark.parametrize(
    ("facts", "waits_for"),
    [
        ([said("complaint kind", "knock"), said("turns by hand", "free")], "the look: Pan off"),
        ([said("turns by hand", "locked")], "the look: "),
        ([fact(StepDone, step="stand.photographed")], "the strip: "),
        ([fact(StopPoint, id="p", name="at 1", spend=0)], "the customer: at 1"),
        ([fact(Seen, look="heads", answer=FOUND, ends=True, note="split")], "the customer: a look can end the job"),
        ([fact(HandOver, to="the driver")], "nothing: handed over"),
    ],
)
def test_what_a_job_waits_for_before_its_first_reading(facts: list[Any], waits_for: str) -> None:
    assert assess(at_the_door(*facts)).waits_for.startswith(waits_for)


def test_once_readings_are_taken_the_bench_says_what_it_waits_for_but_a_stop_point_comes_first() -> None:
    partly = {"R1": GOOD_ENGINE["R1"]}
    begun = at_the_door(said("complaint kind", "knock"), readings=readings(partly))
    assert assess(begun).waits_for == "64 readings"
    point = fact(StopPoint, name="at 1", spend=0)
    assert assess(at_the_door(point, readings=readings(partly))).waits_for == "the customer: at 1"
    went = fact(WayOn, 5, point=point.id, on=True, reason="agreed")
    assert assess(at_the_door(point, went, readings=readings(partly))).waits_for == "64 readings"


def test_a_sample_at_the_lab_is_waited_for_where_nothing_else_is_open() -> None:
    whole: dict[str, Any] = {"readings": readings(GOOD_ENGINE), "seen": job(GOOD_ENGINE).seen}
    assert assess(at_the_door(**whole)).waits_for == "a decision"
    at_lab = said("oil sample", "drawn, at the lab")
    assert assess(at_the_door(at_lab, **whole)).waits_for == "the lab: oil sample"
    back = said("oil sample", "drawn now")
    later = back.model_copy(update={"at": at_lab.at.replace(hour=15)})
    assert assess(at_the_door(at_lab, later, **whole)).waits_for == "a decision"


def every_fact() -> list[Any]:
    """One of each kind, some of them of one another."""
    tube = fact(Removal, 6, what="dip tube", place="block")
    point = fact(StopPoint, 1, name="before the heads", before="heads")
    wrong = fact(Marking, 4, part="cap-rod-3", mark="4", found=True)
    return [
        said("complaint kind", "low pressure"), said("turns by hand", "free"), said("hours", "6,210 h", "meter"),
        said("hours", "4,000 h", "mate"), said("inside is", "Other 6", verified=True), point,
        fact(WayOn, 2, point=point.id, on=True, reason="agreed"),
        fact(Seen, 3, look="filter", answer=FOUND, note="copper"),
        fact(Seen, 30, look="screen", answer=NOTHING),
        fact(StepDone, 20, step="wash.pan", unseen=True), fact(StepDone, 8, step="gallery-plugs.out"),
        fact(StepDone, 9, step="cap-rod-2.off", felt=(Felt.STEPPED,)),
        fact(Marking, 4, part="rod-3", mark="3", found=True), wrong, tube,
        fact(Closing, 7, of=tube.id, how=Closed.BACK), fact(Fragment, 5, place="pan", what="chip"),
        fact(FastenerSeen, 5, place="head", kind=FastenerKind.ONE_USE),
        fact(FastenerSeen, 5, place="housing", state=FastenerState.HOLE_EMPTY),
        fact(Withdrawal, 40, fact=wrong.id),
    ]  # fmt: skip


@settings(max_examples=examples(25))
@given(st.randoms(use_true_random=False))
def test_the_order_in_which_facts_were_sent_changes_nothing(chance: random.Random) -> None:
    """Facts have their own times: what was sent late says the same."""
    facts = every_fact()
    first = at_the_door(*facts, readings=readings(GOOD_ENGINE))
    chance.shuffle(facts)
    again = at_the_door(*facts, readings=readings(GOOD_ENGINE))
    assert assess(first) == assess(again)
    assert looks_of(first).order == looks_of(again).order
    assert {end.id: end.closed for end in strip_report(first, SAY).ends} == {
        end.id: end.closed for end in strip_report(again, SAY).ends
    }


@settings(max_examples=examples(15))
@given(st.randoms(use_true_random=False))
def test_with_a_memo_the_same_comes_out_as_facts_land(chance: random.Random) -> None:
    facts, memo = every_fact(), Memo()
    facts = [one for one in facts if not isinstance(one, Withdrawal | Closing | WayOn)]
    chance.shuffle(facts)
    for n in range(len(facts) + 1):
        so_far = at_the_door(*facts[:n], readings=readings(GOOD_ENGINE))
        assert assess(so_far, memo) == assess(so_far)


@settings(max_examples=examples(20))
@given(st.sets(st.integers(0, 40)))
def test_what_is_taken_back_counts_as_never_said(which: set[int]) -> None:
    """A fact taken back leaves nothing but its line in the story."""
    facts = [one for one in every_fact() if not isinstance(one, Withdrawal | Closing | WayOn)]
    gone = [one for n, one in enumerate(facts) if n in which]
    kept = [one for n, one in enumerate(facts) if n not in which]
    backs = [fact(Withdrawal, 50 + n, fact=one.id) for n, one in enumerate(gone)]
    with_backs = at_the_door(*facts, *backs, readings=readings(GOOD_ENGINE))
    without = at_the_door(*kept, readings=readings(GOOD_ENGINE))
    assert assess(with_backs).notices == assess(without).notices
    assert assess(with_backs).waits_for == assess(without).waits_for
    assert [part.mark for part in assess(with_backs).parts] == [part.mark for part in assess(without).parts]
    assert len(told(with_backs)) == len(facts) + len(backs)


def test_every_fact_of_the_door_is_told_in_words_and_goes_round_in_a_file() -> None:
    whole = at_the_door(*every_fact())
    assert faults_in(whole) == ()
    file = JobFile(job=whole)
    assert read_job(write_job(file)) == file
    lines = told(whole)
    assert len(lines) == len(every_fact())
    assert all(line.words and line.by == "bench" for line in lines)
    assert any(line.words == "took back: Cap 3 bears 4" for line in lines)


@pytest.mark.parametrize(
    ("made", "words"),
    [
        (said("hours", "6,210 h", "meter"), "hours: 6,210 h, says meter"),
        (said("inside is", "Other 6", verified=True), "inside is: Other 6 (verified)"),
        (
            fact(Seen, look="screen", answer=NOTHING, cleaned=True),
            "Pan off: screen and pickup, before cleaning: looked, nothing, after cleaning",
        ),
        (fact(StepDone, step="squirters.out", there=False), "Piston squirters out: not on this engine"),
        (fact(Marking, part="rod-1", mark="none", found=True), "Rod 1 bears no mark"),
        (fact(Marking, part="rod-1", mark="1", found=False), "Rod 1 was given 1"),
        (fact(HandOver, to="the driver", words="as it is"), "handed over to the driver: as it is"),
    ],
)
def test_facts_in_words(made: Any, words: str) -> None:
    one = job(looked=False)
    assert made.said(NamesOfJob(one, CATALOGUE.engine_of(one))) == words


@given(st.sampled_from(["Inline four", "V eight, cross plane", "Flat six"]), st.data())
@settings(max_examples=examples(20))
def test_whatever_steps_are_done_the_list_and_the_time_add_up(engine: str, data: st.DataObject) -> None:
    steps = strip_list(layout(engine))
    done = data.draw(st.sets(st.sampled_from([step.id for step in steps])))
    facts = [fact(StepDone, n, step=step) for n, step in enumerate(sorted(done))]
    stripped: Job = at_the_door(*facts, engine=engine)
    report = strip_report(stripped, SAY)
    over = over_with(steps, done)
    assert report.done == len(over)
    assert len(report.steps) == len(steps)
    assert report.next == next((step.id for step in steps if step.id not in over), "")
    lie = {one.id for one in report.positions if one.lies}
    assert lie == {key for step in steps if step.id in done for key in step.takes}
    goes_back = [step for step in steps if step.id in done and step.goes_back]
    assert report.barring == len(goes_back)


def over_with(steps: tuple[StripStep, ...], done: set[str]) -> set[str]:
    """What has not to be done any more, by hand: what is done; a stand of the crank with nothing left at it; what
    could be read or locked only before something that is off. Common practice, no source."""
    over, stand = set(done), dict[str, list[str]]()
    for step in steps:
        if step.family == "turn":
            stand[step.id] = []
        elif step.at is not None:
            stand[list(stand)[-1]].append(step.id)
    over |= {turn for turn, own in stand.items() if set(own) <= done}
    firsts = {step.id: {one.step for one in step.held if one.binds == "comes first"} for step in steps}
    late = {step.id for step in steps if step.while_on}
    while more := {one for one in late - over if any(one in firsts[other] for other in over)}:
        over |= more
    return over
