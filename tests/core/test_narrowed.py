"""A scope made narrower. Source: common practice, no source: what was found stays found, whoever works on it."""

from datetime import timedelta

from halfthou.assess import assess
from halfthou.jobs import Extension, Job, Narrowing, Withdrawal
from halfthou.report import OpenKind
from tests.loosen import loose
from tests.making import NOON

#: Worked example H01: 4.0082 where 4.0000 is new is worn by more than 0.0050.
H01 = ["4.0082", "4.0040", "4.0041", "4.0020", "4.0005", "4.0004"]
SOUND = ["4.0003", "4.0003", "4.0002", "4.0002", "4.0001", "4.0001"]


def narrowed(*sets: str, name: str = "n1", hours: int = 1) -> Narrowing:
    at = NOON + timedelta(hours=hours)
    return Narrowing(id=name, by="machinist", at=at, sets=sets, reason="The block goes to another shop.")


def engine(bore: list[str]) -> Job:
    return loose((), scope=("bores", "rings"), bores={1: bore})


def test_what_was_found_stays_found_out_of_scope() -> None:
    job = engine(H01).model_copy(update={"narrowings": (narrowed("bores"),)})
    found = assess(job)
    assert job.sets == ("rings",)
    assert [one.set for one in found.sets] == ["rings"]
    (item,) = found.cause.items
    assert item.kind is OpenKind.OUT_OF_SCOPE
    assert "wear" in item.words.lower()
    assert found.cause.open
    assert not found.whole
    assert [one.text for one in found.notices if one.rule == "assess.narrowed"] == [
        "Out of scope: bores. machinist: The block goes to another shop.",
        item.words,
    ]


def test_what_is_sound_and_out_of_scope_is_not_missed() -> None:
    found = assess(engine(SOUND).model_copy(update={"narrowings": (narrowed("bores"),)}))
    assert found.cause.items == ()
    assert not any(one.set == "bores" for one in found.parts)


def test_the_last_word_on_a_set_counts() -> None:
    back = Extension(id="e1", by="machinist", at=NOON + timedelta(hours=2), sets=("bores",))
    job = engine(H01).model_copy(update={"narrowings": (narrowed("bores"),), "extensions": (back,)})
    assert job.sets == ("rings", "bores")
    assert job.narrowed_by == {}
    out = job.model_copy(update={"narrowings": (*job.narrowings, narrowed("bores", name="n2", hours=3))})
    assert out.sets == ("rings",)
    word = Withdrawal(id="w1", by="machinist", at=NOON + timedelta(hours=4), fact="n2")
    assert out.model_copy(update={"withdrawals": (word,)}).sets == ("rings", "bores")
