"""End float: read whole or worked out from widths, against its sheet; washers that bring it back."""

from __future__ import annotations

from datetime import timedelta

import pytest

from halfthou.assess import assess, evidence_standing
from halfthou.jobs import Job, Seen, SourceKind
from halfthou.lengths import Length
from halfthou.verdicts import Action, Called, Limit, Measured, conformance, judge
from tests.floating import HOLE, LEAF, allowed, floating, read
from tests.making import CASES, MICROMETER, NOON, inches
from tests.reading import seen


def test_it_conforms_as_the_worked_examples_say() -> None:
    """Worked examples E11 and E12: 0.0065, 0.0099, 0.0104 in with u 0.00015 against 0.002 to 0.010."""
    doubt = inches("0.00015").nm
    called, chances = [], []
    for text in ("0.0065", "0.0099", "0.0104"):
        value = inches(text)
        figure = Measured(
            key="float", rule="end-float.float", name="end float", value=value, spots=(), doubt_nm=doubt,
            guard=Length(round(1.645 * doubt)),
        )  # fmt: skip
        found = judge(figure, Limit(inches("0.0100"), False, SourceKind.MAKER))
        chances.append(conformance(found.to_spare, doubt))
        called.append({Called.WITHIN: "accept", Called.TOO_CLOSE: "doubt", Called.BEYOND: "reject"}[found.called])
    assert "/".join(called) == CASES["E12"]["expected"]
    assert chances == pytest.approx(CASES["E11"]["expected"], abs=0.001)


def test_within_it_is_reused_and_unread_or_unseen_never() -> None:
    assert assess(floating(read("0.0060"))).of("end float").action is Action.REUSE
    assert assess(floating()).of("end float").action is Action.MEASURE
    unseen = assess(floating(read("0.0060"), looked=False)).of("end float")
    assert unseen.action is Action.MEASURE
    assert not unseen.can_be_accepted


def test_it_is_read_by_leaf_or_worked_out_from_widths() -> None:
    """Arithmetic: 1.2560 in between the faces, 1.2500 over the flanges leaves 0.006."""
    assert assess(floating(read("0.0060", "end float by leaf", LEAF))).of("end float").action is Action.REUSE
    journal = read("1.2560", "thrust journal width", HOLE)
    bearing = read("1.2500", "thrust bearing width", MICROMETER)
    found = assess(floating(journal, bearing))
    assert found.of("end float").action is Action.REUSE
    assert found.part("end-float").size_words == "0.0060"
    half = assess(floating(journal))
    assert half.of("end float").action is Action.MEASURE
    assert [one.feature for one in half.part("end-float").to_read] == ["thrust bearing width"]


def test_past_the_limit_the_thinnest_washers_that_do_are_named() -> None:
    """Arithmetic: 0.0150 less 0.010 is the first within 0.002 to 0.008; 0.005 leaves 0.010."""
    found = assess(floating(read("0.0150"), of=allowed("0.005", "0.010", "0.020"))).of("end float")
    assert found.action is Action.FIT_WASHERS
    assert [one.step.nm for one in found.to_order] == [inches("0.010").nm]
    assert any("to 0.0050" in one.text for one in found.reasons)


@pytest.mark.parametrize("washers", [(), ("0.020",)])
def test_where_none_does_it_is_referred(washers: tuple[str, ...]) -> None:
    assert assess(floating(read("0.0150"), of=allowed(*washers))).of("end float").action is Action.REFER


def test_less_than_new_is_no_good_float() -> None:
    """Common practice, no source: a crank that cannot move is held by something."""
    for text in ("0", "0.0010"):
        found = assess(floating(read(text))).of("end float")
        assert found.action is Action.REFER
        assert any(one.rule == "end-float.tight" for one in found.reasons)


def test_a_blued_face_is_not_cleared_by_its_float() -> None:
    blue = Seen(id="blue", on="end-float", look="thrust faces", answer="blue or torn", by="bench", at=NOON)
    job = floating(read("0.0060"), looked=False).model_copy(update={"seen": (blue,)})
    assert assess(job).of("end float").action is Action.REFER


def built_with(size: str, by: str, *more: Seen, now: str = "0.0045") -> Job:
    """A float read now, and what somebody says the engine was built with."""
    claim = Seen(
        id="built", on="end-float", look="as built", answer=by, amount=inches(size), typed=size, by="owner", at=NOON
    )
    one = floating(read(now))
    metal = seen("filter", "steel or iron")
    return one.model_copy(update={"seen": (*one.seen, metal, claim, *more)})


RECORD, PAPER = "build sheet of this shop", "paper of another shop"
BLUE = Seen(
    id="blue", on="end-float", look="thrust faces", answer="blue or torn", by="bench", at=NOON + timedelta(hours=1)
)


def test_a_float_as_built_clears_the_thrust_where_it_is_on_record_and_speaks_against_by_a_claim() -> None:
    """Trade case, common practice, no source: a float that has not moved has shed no metal; a word is a word."""
    on_record = evidence_standing(built_with("0.0040", RECORD))
    told = evidence_standing(built_with("0.0040", PAPER))
    assert "float.as-built" in on_record.signs
    assert "float.as-claimed" in told.signs
    assert "float.as-built" not in told.signs
    grown = evidence_standing(built_with("0.0040", RECORD, now="0.0075"))
    assert not {"float.as-built", "float.as-claimed"} & set(grown.signs)


def test_a_blued_face_is_beyond_whatever_the_float() -> None:
    blue = built_with("0.0040", RECORD, BLUE)
    signs = evidence_standing(blue).signs
    assert "float.beyond" in signs
    assert "float.as-built" not in signs
    assert assess(blue).of("end float").action is Action.REFER


@pytest.mark.parametrize(
    ("now", "words"),
    [
        ("0.0045", "; 0.0045 now: as it was built, nothing has worn."),
        ("0.0075", ": it has grown by 0.0035 since."),
        ("0.0025", "; 0.0015 less now: find what binds, or which is wrong."),
    ],
)  # fmt: skip
def test_what_it_was_built_with_is_said_with_whose_word_it_is(now: str, words: str) -> None:
    found = assess(built_with("0.0040", PAPER, now=now)).of("end float")
    said = "Built with 0.0040, by paper of another shop, said by owner"
    assert said + words in [one.text for one in found.reasons]
