"""The report to the customer: everything found, in plain words, and nothing promised."""

from __future__ import annotations

import re
from datetime import date
from typing import Any

from halfthou.assess import assess
from halfthou.evidence import (
    CustomerReport,
    Sent,
    customer_report,
)
from halfthou.evidence.customer_report import PLAIN
from halfthou.jobs import (
    FOUND,
    CarriedPart,
    FastenerSeen,
    FastenerState,
    Marking,
    Picture,
)
from halfthou.report import Letterhead
from halfthou.verdicts import Action
from tests.making import GOOD_ENGINE, PERFECT, readings
from tests.reading import complains, graded, read, seen
from tests.stripping import fact, said


def test_the_report_says_what_was_found_beside_a_sound_one() -> None:
    bad, good = (
        fact(Picture, on=half, sha256=char * 64, width=4, height=3, size=9)
        for half, char in (("half-rod-2-upper", "a"), ("half-main-1-upper", "b"))
    )
    story = read(
        *complains("low pressure"), *graded("Inline four", rods="OCOO", mains="O"), bad, good,
        seen("screen", "blocked", "pump"), said("hours", "6,000 h"),
    )  # fmt: skip
    found = customer_report(story, assess(story.job), Sent("Told by telephone."))
    second = next(one for one in found.findings if one.part == "Bearing of rod 2")
    assert (second.pictures, second.sound_pictures) == ((bad.id,), (good.id,))
    assert any("Pickup blocked: proved" in line for line in found.known)
    assert set(found.pictures) == {bad.id, good.id}
    assert found.words == "Told by telephone."


def report_of(*facts: Any, engine: str = "Inline four", **more: Any) -> CustomerReport:
    story = read(*complains("low pressure"), *facts, engine=engine, **more)
    return customer_report(story, assess(story.job))


def test_what_a_look_found_in_words_of_its_own_is_in_the_report() -> None:
    """Two looks said in general: the report tells both, and never that nothing bad was found."""
    found = report_of(
        seen("filter", FOUND, note="copper flakes in every pleat"),
        seen("shells", FOUND, note="rod 3 down to its copper and blue"),
    )
    told = [one.words for one in found.findings]
    assert "copper flakes in every pleat" in told
    assert "rod 3 down to its copper and blue" in told
    assert not found.nothing_bad


def test_a_fastener_that_is_missing_and_a_set_that_refuses_are_told() -> None:
    empty = fact(FastenerSeen, place="main cap 3", state=FastenerState.HOLE_EMPTY)
    found = report_of(empty)
    assert [(one.part, one.words) for one in found.findings] == [("Fastener, main cap 3", "hole found empty")]
    assert not found.nothing_bad
    cracked = report_of(seen("crack test", "crack found", "crank"))
    assert not cracked.nothing_bad
    assert any("not fit to be used again" in line for line in cracked.means)


def test_a_sound_engine_is_told_to_be_so_far() -> None:
    found = report_of(*graded("Inline four", rods="P", mains="O"))
    assert found.nothing_bad
    assert any("Bearings sound by eye" in line for line in found.sound)


def test_a_bearing_is_sound_only_where_both_halves_were_seen_to_be() -> None:
    one_half = report_of(seen("overlay", "polished", "half-rod-1-upper"))
    assert not one_half.sound
    lines = report_of(*graded("Inline four", rods="ODOO", mains="O"))
    assert all("Rod 2" not in line for line in lines.sound)


def test_the_report_is_written_for_its_reader() -> None:
    """No shop's words in what it means: no refer, no numbers with No., no washing list; what it cost, what is
    asked, what comes next."""
    found = report_of(
        *graded("Inline four", rods="CMCC", mains="L"), seen("screen", "blocked", "pump"),
        seen("heat colour", "blue", "R2"), said("hours", "6,000 h"),
    )  # fmt: skip
    said_ = [*found.means, *found.next, *found.asks, *found.came, *(one.part for one in found.findings)]
    assert not [text for text in said_ if re.search(r"\bNo\. \d|\b[Rr]efer\b", text)], said_
    assert found.to_wash == ()
    every = [*found.means, *found.open]
    assert len([line for line in every if "metal went" in line.lower()]) == 1, every  # said once
    alone = report_of(*graded("Inline four", rods="CMCC", mains="L"))
    assert any("Metal went round with the oil" in line for line in alone.means)
    assert any(line.startswith("Hours: 6,000 h, as told") for line in found.came)
    assert any(line.startswith("Spent so far: ") for line in found.cost)
    assert found.next


def test_every_action_has_its_words_for_a_customer() -> None:
    assert set(PLAIN) == set(Action)
    assert not [words for words in PLAIN.values() if re.search(r"refer|regrind|rebore|undersize", words)]


def test_nothing_is_promised_of_a_set_that_is_still_being_read() -> None:
    """Half a crank read: what is good is good so far."""
    half = {name: sizes for name, sizes in GOOD_ENGINE.items() if name in ("M1", "R1", "R2", "R3")}
    found = report_of(readings=readings(half, PERFECT), gauges=(PERFECT,), looked=True)
    assert not [line for line in found.means if "good" in line and "so far" not in line], found.means


def test_a_part_out_of_another_engine_is_nothing_good() -> None:
    """Never "nothing bad" while something that carries metal lies there. Common practice, no source."""
    story = read(fact(CarriedPart, what="Oil cooler", out=False, other="60", with_metal="metal of Rod 1"))
    report = customer_report(story, assess(story.job))
    assert not report.nothing_bad
    assert any("Oil cooler, out of another engine" in line for line in report.means)


def test_caps_that_are_no_pair_and_whose_paper_it_is_stand_in_the_report() -> None:
    """What was found at the strip, who looked, by when an answer is wanted. Common practice, no source."""
    marks = (
        fact(Marking, part="rod-3", mark="3", found=True),
        fact(Marking, part="cap-rod-3", mark="7", found=True),
    )
    story = read(*marks, seen("rod and cap", "sound", "rod-3"))
    shop = Letterhead(name="Alder Quay Engine Works", address="2 Alder Quay")
    report = customer_report(story, assess(story.job), Sent("", date(2031, 5, 9), shop))
    assert any("they are no pair" in one.words for one in report.findings)
    assert (report.answer_by, report.shop, report.looked_by) == ("9 May 2031", shop, ("bench",))
    assert not report.nothing_bad
