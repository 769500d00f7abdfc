"""Every answer of the table that does something, alone on an engine that is otherwise as new: what it does is done
to the part, and is said. A look, an answer or a kind that comes later falls into it by itself."""

from __future__ import annotations

import json
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import timedelta
from functools import cache
from pathlib import Path

import pytest
from typing_extensions import override

from halfthou.assess import assess
from halfthou.exchange import read_job
from halfthou.jobs import Decision, DecisionKind, HouseRules, Job, Look, Operation, OperationKind, Seen, SetLimits
from halfthou.looks import Answer, Does, Effect, LookKind
from halfthou.parts import CATALOGUE
from halfthou.report import Assessment
from halfthou.verdicts import Action
from tests.floating import floating, read
from tests.looked_at import looked_at
from tests.making import GOOD_ENGINE, NOON, engine_of, job, look, readings
from tests.straight import crank, turned
from tests.tunnelled import all_good, tunnel

LOOSE = Path(__file__).parents[1] / "golden" / "loose" / "all-sound.json"
#: A part of each kind that is judged, on which its answers are tried.
TRIED = {
    "run-out": "run-out-M2",
    "end float": "end-float",
    "housing": "housing-M2",
    "journal": "R2",
    "bore": "bore-2",
    "piston": "piston-2",
    "ring": "ring-2.1",
    "oil pump": "pump",
}
#: What keeps a part from going back as it is.
KEEPS_BACK = (Does.REJECTS, Does.REFERS, Does.REMEDY, Does.ASKS, Does.HOLDS, Does.SUSPECTS)


@cache
def as_new(kind: str) -> Job:
    """An engine on which all is read, seen and sound, with a part of the kind."""
    if kind == "end float":
        return floating(read("0.0060"))
    if kind == "housing":
        return tunnel(*all_good())
    if kind == "run-out":
        return crank(*(turned(main, "0.0004", 40) for main in ("M2", "M3", "M4")), sets=("straightness",))
    if kind == "journal":
        made = [
            look(on, what, answer)
            for on in GOOD_ENGINE
            for what, answer in (
                (Look.SURFACE, "nail runs clear"),
                (Look.HEAT, "none"),
                (Look.SEAT, "in place"),
                (Look.FILLET, "sound"),
            )
        ]
        return job(readings=readings(GOOD_ENGINE), seen=tuple(made), scope=("rods",))
    kept = read_job(json.dumps(json.loads(LOOSE.read_text(encoding="utf-8"))["file"])).job
    return looked_at(kept, at=NOON)


@dataclass(frozen=True, repr=False)
class Tried:
    """One effect of one answer, on one kind of part."""

    kind: str
    row: LookKind
    answer: Answer
    effect: Effect

    @override
    def __repr__(self) -> str:
        return f"{self.kind}: {self.row.key}: {self.answer.text}: {self.effect.does.value}"

    def job(self) -> Job:
        """The engine as new but for this answer, in a house and on a sheet where it does this."""
        new, part = as_new(self.kind), TRIED[self.kind]
        places = engine_of(new).kinds[self.kind]
        on = (
            part
            if self.kind in self.row.on
            else next(one for one in self.row.on if one in (*places.wholes, *places.sets))
        )
        others = tuple(one for one in new.seen if not (one.look == self.row.key and one.on in (part, on)))
        seen = Seen(id="tried", on=on, look=self.row.key, answer=self.answer.text, by="bench", at=NOON)
        return self._said(new.model_copy(update={"seen": (*others, seen)}))

    def _said(self, new: Job) -> Job:
        """With the house rule or the word of the sheet on which the effect rests."""
        said = self.effect.when or next((one for one in said_of(self.kind) if clears(one, self.effect.unless)), "")
        what, _, value = said.partition(": ")
        if what in HouseRules.model_fields:
            rules = HouseRules.model_validate({**new.house_rules.model_dump(), what: value})
            return new.model_copy(update={"house_rules": rules})
        if not what:
            return new
        one = engine_of(new).parts[TRIED[self.kind]].set
        limits = new.limits.sets[one]
        with_it = SetLimits.model_validate({**limits.model_dump(), "made": {**limits.made, what: value}})
        sheet = new.limits.model_copy(update={"sets": {**new.limits.sets, one: with_it}})
        return new.model_copy(update={"limits": sheet})


def said_of(kind: str) -> Iterator[str]:
    """Everything that house rules and the sheet of a kind can say."""
    for name, field in HouseRules.model_fields.items():
        for value in getattr(field.annotation, "__members__", {}).values():
            yield f"{name}: {value.value}"
    yield from (f"{made.key}: {answer}" for made in CATALOGUE[kind].made for answer in made.answers)


def clears(said: str, unless: str) -> bool:
    """Whether it says otherwise of the same thing."""
    return bool(unless) and said != unless and said.partition(": ")[0] == unless.partition(": ")[0]


def looks_at(kind: str) -> tuple[LookKind, ...]:
    """Every look at a part of a kind, or at what it is a part of, whichever page asks it."""
    of = {kind, *CATALOGUE[kind].wholes, *CATALOGUE[kind].sets}
    return tuple(row for row in CATALOGUE.looks.values() if of & set(row.on))


def every_effect() -> Iterator[Tried]:
    for kind in CATALOGUE.all:
        if kind.key not in TRIED:
            continue
        for row in looks_at(kind.key):
            for answer in row.answers:
                for effect in answer.does:
                    if not effect.of or kind.key in effect.of:
                        yield Tried(kind.key, row, answer, effect)


EFFECTS = tuple(every_effect())


def judged(tried: Tried) -> Assessment:
    return assess(tried.job())


@pytest.mark.parametrize("kind", TRIED)
def test_the_engine_as_new_goes_back_whole(kind: str) -> None:
    """Without this the sweep below would prove nothing."""
    found = assess(as_new(kind))
    assert found.part(TRIED[kind]).action is Action.REUSE
    assert found.whole or kind == "journal"


@pytest.mark.parametrize("tried", [one for one in EFFECTS if one.effect.does in KEEPS_BACK], ids=repr)
def test_what_an_answer_does_is_done_and_keeps_the_part_back(tried: Tried) -> None:
    """Rule: pieces.eye-rejects: the eye may reject, refer or hold back, whatever the gauge says."""
    found = judged(tried)
    part, effect = found.part(TRIED[tried.kind]), tried.effect
    if effect.does not in (Does.REJECTS, Does.REMEDY):
        assert not found.whole
    if effect.does is Does.REFERS:
        assert part.own_action is Action.REFER
    elif effect.does is Does.REJECTS:
        assert part.own_action is Action(effect.on or Action.REPLACE)
    elif effect.does is Does.REMEDY and effect.on in set(Action):
        assert part.own_action is Action(effect.on)
    elif effect.does is not Does.REMEDY:
        assert part.own_action is not Action.REUSE or part.opens


@pytest.mark.parametrize("tried", [one for one in EFFECTS if one.effect.words], ids=repr)
def test_what_an_answer_does_is_said_of_the_part(tried: Tried) -> None:
    part = judged(tried).part(TRIED[tried.kind])
    words = tried.effect.words.format(tried.answer.text).casefold()
    assert any(words in one.text.casefold() and one.rule == tried.effect.rule for one in part.reasons)


def overtaken() -> Iterator[tuple[Tried, OperationKind]]:
    """Every fault with every work on such a part that does away with what was looked at."""
    for tried in EFFECTS:
        for work, looks in CATALOGUE[tried.kind].look_again.items():
            if tried.effect.does in KEEPS_BACK and tried.row.key in looks and work not in tried.effect.mended_by:
                yield tried, work


def after(tried: Tried, work: OperationKind, *, again: bool) -> Assessment:
    """The fault seen, the work done, all read anew; and, where told, looked at again and found good."""
    new = tried.job()
    first = min(reading.at for reading in new.readings)
    faulty = next(one for one in new.seen if one.id == "tried").model_copy(
        update={"at": first - timedelta(hours=2)}
    )
    on = CATALOGUE[tried.kind].done_to[work][0]
    done = Operation(id="work", kind=work, on=on, by="bench", at=first - timedelta(hours=1))
    good = faulty.model_copy(
        update={"id": "again", "answer": tried.row.sound or tried.row.answers[0].text, "at": first}
    )
    seen = tuple(one for one in new.seen if one.id != "tried")
    seen = (*seen, faulty, good) if again else (*seen, faulty)
    return assess(new.model_copy(update={"seen": seen, "operations": (done,)}))


@pytest.mark.parametrize(("tried", "work"), tuple(overtaken()), ids=repr)
def test_work_heals_no_fault_that_nobody_looked_at_again(tried: Tried, work: OperationKind) -> None:
    """Source: common practice, no source: a fault ends by its own proof, taken after the work.

    Rule: looks.after-work.
    """
    one = TRIED[tried.kind]
    before, looked = after(tried, work, again=False).part(one), after(tried, work, again=True).part(one)
    assert before.action is not Action.REUSE or before.opens
    told = {reason.rule for reason in before.reasons}
    assert told & {"looks.after-work", tried.effect.rule}
    assert "looks.after-work" not in {reason.rule for reason in looked.reasons}
    assert len(looked.opens) < len(before.opens) or looked.action is not before.action


@pytest.mark.parametrize("tried", [one for one in EFFECTS if one.effect.does in KEEPS_BACK], ids=repr)
def test_a_word_covers_what_it_knew(tried: Tried) -> None:
    """Source: common practice, no source: nobody answers for a fault that was found after his word.

    Rule: sets.word-covers.
    """
    new = tried.job()
    one = engine_of(new).parts[TRIED[tried.kind]].set
    found = next(seen for seen in new.seen if seen.id == "tried")

    def decided(hours: int) -> Assessment:
        """The set decided to go back, so many hours after the fault was found."""
        word = Decision(
            id="d",
            kind=DecisionKind.OVERRIDDEN,
            set=one,
            action=Action.REUSE.value,
            reason="the customer asks for it",
            by="owner",
            at=found.at + timedelta(hours=hours),
        )
        return assess(new.model_copy(update={"decisions": (word,)}))

    before, after_it = decided(-1), decided(1)
    assert not before.of(one).decided
    assert any(reason.rule == "sets.word-covers" for reason in before.notices)
    assert after_it.of(one).decided
    assert not any(reason.rule == "sets.word-covers" for reason in after_it.notices)


@pytest.mark.parametrize("kind", TRIED)
def test_no_answer_about_a_judged_part_is_forgotten(kind: str) -> None:
    """Good, kept, harmless and why, advice, or what it does: an answer that says none of it does nothing unseen.
    What only the evidence reads shows a sign or clears one."""
    rows = looks_at(kind)
    assert not [
        f"{row.key}: {answer.text}"
        for row in rows
        for answer in row.answers
        if not answer.does and (row.bench or not (answer.shows or answer.clears or answer.asks))
    ]


#: What dangerous answers must come to, by hand. Source: common practice, no source: docs/trade: What is seen.
DANGEROUS = (
    ("journal", Look.SURFACE, "nail catches", "regrind"),
    ("journal", Look.SURFACE, "pitted", "regrind"),
    ("journal", Look.SURFACE, "burr round a dent", "not back"),
    ("journal", Look.SURFACE, "metal smeared on", "not back"),
    ("journal", Look.FILLET, "sharp, notched or undercut", "refer"),
    ("journal", Look.CRACK_TEST, "crack found", "replace"),
    ("journal", Look.HARDNESS, "soft", "refer"),
    ("journal", Look.STRAIGHTNESS, "bent", "refer"),
    ("journal", Look.HEAT, "brown or purple", "refer"),
    ("journal", Look.HEAT, "blue", "refer"),
    ("journal", Look.HEAT, "grey", "refer"),
    ("journal", Look.ROD, "brown or purple", "refer"),
    ("journal", Look.ROD, "blue", "refer"),
    ("journal", Look.ROD, "tight on its pin", "not back"),
    ("journal", Look.SEAT, "turned in its housing", "not back"),
    ("journal", Look.SEAT, "tang sheared", "not back"),
    ("journal", Look.SEAT, "loose in its housing", "not back"),
    ("journal", Look.CAPS, "numbers disagree", "not back"),
    ("journal", Look.CAPS, "step at the joint", "not back"),
    ("journal", "oil-hole edge", "cracked", "replace"),
    ("journal", "oil-hole edge", "sharp", "not back"),
    ("bore", Look.BORE_WALL, "scuffed", "rebore"),
    ("bore", Look.BORE_WALL, "seized metal", "rebore"),
    ("bore", Look.BORE_WALL, "rust or pitted", "rebore"),
    ("bore", Look.BORE_WALL, "scored, nail catches", "rebore"),
    ("bore", Look.BORE_WALL, "lines", "not back"),
    ("bore", Look.BORE_WALL, "crack seen", "refer"),
    ("bore", Look.CRACK_TEST, "crack found", "refer"),
    ("bore", Look.PRESSURE, "leaks", "refer"),
    ("bore", Look.DECK, "out of flat", "not back"),
    ("bore", Look.SQUARE, "out of square", "not back"),
    ("bore", Look.SLEEVE, "sleeve dropped", "not back"),
    ("piston", "skirts", "scuffed on one skirt", "replace"),
    ("piston", "skirts", "diagonal", "not back"),
    ("piston", "lands", "cracked", "replace"),
    ("piston", "crown", "burnt", "replace"),
    ("piston", "crown", "valve mark", "not back"),
    ("piston", "grooves", "stepped", "regroove"),
    ("piston", "grooves", "carboned", "not back"),
    ("piston", "pin", "blued", "refer"),
    ("piston", "pin", "loose at one boss", "replace"),
    ("piston", "pin", "stiff", "re-pin or bush"),
    ("ring", "whole or broken", "broken", "replace"),
    ("ring", "face", "flaking", "replace"),
    ("ring", "tension", "weak", "replace"),
    ("ring", "square in its bore", "not square", "not back"),
    ("oil pump", "pump housing", "scored, nail catches", "replace"),
    ("oil pump", "gears or rotors", "chipped", "replace"),
    ("oil pump", "drive", "loose", "refer"),
    ("oil pump", "drive", "tang twisted", "replace"),
    ("oil pump", "relief valve", "plunger stuck", "new parts in it"),
    ("oil pump", "screen", "torn", "not back"),
    ("oil pump", "screen", "metal in it", "not back"),
    ("oil pump", "seal at the pickup", "too thin", "not back"),
    ("oil pump", "pump turns", "jammed", "not back"),
    ("oil pump", "metal", "metal found", "not back"),
    ("oil pump", "which pump", "foreign pump", "refer"),
)


@pytest.mark.parametrize(("kind", "key", "text", "comes_to"), DANGEROUS, ids=str)
def test_a_dangerous_answer_comes_to_what_a_rebuilder_would_do(
    kind: str, key: str, text: str, comes_to: str
) -> None:
    row = CATALOGUE.looks[key]
    answer = row.answer(text)
    assert answer is not None
    found = judged(Tried(kind, row, answer, Effect(Does.RECORDS)))
    part = found.part(TRIED[kind])
    if comes_to == "not back":
        assert part.own_action is not Action.REUSE or part.opens
        assert not found.whole
    else:
        assert part.own_action.value == comes_to


def test_each_kind_that_is_judged_is_tried() -> None:
    assert {trade.kind.key for trade in CATALOGUE.trades} == set(TRIED)


def test_what_an_effect_names_is_there() -> None:
    """A house rule, a word of the sheet, a look and its answer: what names nothing would never stand."""
    for tried in EFFECTS:
        effect, known = tried.effect, set(said_of(tried.kind))
        assert {effect.when, effect.unless} - {""} <= known, repr(tried)
        for key, answer in effect.until:
            assert CATALOGUE.looks[key].answer(answer) is not None, repr(tried)
