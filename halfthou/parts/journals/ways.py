"""The ways on for a set of journals, side by side: what each takes, who sets it, what it leaves and makes stale."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, replace

from halfthou.jobs import Hardening, JournalSet
from halfthou.lengths import ZERO, Length
from halfthou.parts.journals.clearance import Clearance, clearance_to_be, missing_shells
from halfthou.parts.journals.crank import throw_at, tilt_at
from halfthou.parts.journals.decide import SetVerdict, ground_reaches, regrind_steps, workable_band
from halfthou.parts.journals.followed import INDEX_OFF, STROKE, UNSAID, ThrowMoved
from halfthou.parts.journals.hardening import HardeningSays, case_left, hardening_says
from halfthou.parts.journals.verdict import judge_journal, keeps
from halfthou.parts.trade import Given
from halfthou.sets import Rung, SizeChoice, choose_one_size
from halfthou.surveys import POLISH_SHELL
from halfthou.verdicts import Action, Called, Open


@dataclass(frozen=True)
class Bar:
    """Why a way is not open: which sentence, of which journals, by how much, or what the hardening says."""

    key: str
    journals: tuple[str, ...] = ()
    by: Length | None = None
    hardening: HardeningSays | None = None


@dataclass(frozen=True, kw_only=True)
class JournalWay:
    """One way on for a set.

    `key` says which kind; `step` is the undersize it leads to. `bars` say why it is not open, `asks` that it is
    open only by somebody else's word. `sets_it` is the journal that limits it, `to_spare` what that has left there.
    `case_left` is the radial case left; `clearances` what each journal's bearing would have, where known. `alone`
    is the journal that goes a size further than the rest, which go to `rest`. `moved` is what becomes of each throw
    where it is ground as a bend left it.
    """

    key: str
    action: Action
    step: Length | None = None
    bars: tuple[Bar, ...] = ()
    asks: tuple[Bar, ...] = ()
    sets_it: str = ""
    to_spare: Length | None = None
    case_left: Length | None = None
    clearances: tuple[Clearance, ...] = ()
    recommended: bool = False
    alone: str = ""
    rest: Length | None = None
    moved: Mapping[str, ThrowMoved | None] = field(default_factory=dict)

    @property
    def name(self) -> str:
        """What it is picked by, one of its set."""
        ground = self.action is Action.REGRIND and self.step is not None
        return f"{self.key} {self.step.nm}" if ground and self.step is not None else self.key

    @property
    def follows(self) -> bool:
        """Whether its journals are ground about the axis on which a bend left them."""
        return bool(self.moved)

    @property
    def size(self) -> Length | None:
        """The undersize that its set is ground to: of one journal alone, that of the rest. None where nothing is
        ground: then each keeps its own."""
        if self.action is not Action.REGRIND:
            return None
        return self.rest if self.alone else self.step

    @property
    def others(self) -> Mapping[str, Length]:
        """The journals that go to another size than their set."""
        return {self.alone: self.step} if self.alone and self.step is not None else {}


LEAVE, POLISH, POLISH_SHELLS, GRIND, ALONE = "leave", "polish", "polish shells", "grind", "alone"
FOLLOW, ANOTHER, BUILD_UP = "follow", "another crank", "build up"


def ways_on(given: Given, decided: SetVerdict) -> tuple[JournalWay, ...]:
    """Every way on for a set of journals, the least work first.

    Rule:    sets.ways.   Source: docs/trade: Choosing the size; the ladder and the hardening as for the decision
             itself, asked at every step.
    """
    found = tuple(_ways(given, decided))
    return tuple(replace(way, recommended=_is(way, decided)) for way in found)


def _is(way: JournalWay, decided: SetVerdict) -> bool:
    """Whether a way is what the verdict says."""
    if way.key == BUILD_UP or (way.key == FOLLOW) != decided.follows or dict(way.others) != dict(decided.others):
        return False
    at = way.size if way.action is Action.REGRIND else decided.undersize
    return way.action is decided.action and at == decided.undersize


def _ways(given: Given, decided: SetVerdict) -> Iterator[JournalWay]:
    house = decided.case.house
    yield _kept(decided, LEAVE, Action.REUSE, (Action.REUSE,), ZERO)
    yield _kept(decided, POLISH, Action.POLISH, (Action.REUSE, Action.POLISH), house.polish_allowance)
    if any(ZERO < shell.size - decided.case.present <= POLISH_SHELL for shell in decided.case.limits.shells):
        yield _polish_shells(decided)
    choice = _choice(decided)
    for rung in regrind_steps(decided.case.limits, decided.case.present):
        yield _grind(decided, rung, choice)
    yield from _follow(given, decided, choice)
    yield from _one_alone(decided, choice)
    yield JournalWay(key=ANOTHER, action=Action.REPLACE)
    if any(verdict.needs_machining for verdict in decided.case.verdicts.values()):
        cracked = tuple(n for n, v in decided.case.verdicts.items() if v.action is Action.REPLACE)
        bars = (Bar("cracked", cracked),) if cracked else ()
        yield JournalWay(key=BUILD_UP, action=Action.REFER, bars=bars, asks=(Bar("specialist"),))


def _choice(decided: SetVerdict) -> SizeChoice | None:
    """How every journal stands at every step, also where nothing needs grinding; None where nothing is read."""
    case = decided.case
    reaches = ground_reaches(case)
    steps = regrind_steps(case.limits, case.present)
    if not reaches or not steps:
        return None
    return choose_one_size(reaches, steps, case.limits.size.least, workable_band(case.limits, case.house))


def waits_of(decided: SetVerdict) -> Bar | None:
    """What every way but another crank waits for: a crank that is to be straight and tested first; None where
    nothing is.

    Rule:    straightness.first, sets.one-crank.
    """
    names = tuple(name for name, verdict in decided.case.verdicts.items() if Open.CRANK in verdict.opens)
    return Bar("straight", names) if names else None


def _waits(decided: SetVerdict, *, ground: bool) -> Iterator[Bar]:
    """What bars a way by what is not known: journals not read, or that wait for somebody else's word."""
    verdicts = decided.case.verdicts
    action = Action.REGRIND if ground else Action.REUSE
    opens = {name: verdict.open_where(action) for name, verdict in verdicts.items()}
    for key, open_ in (("unread", Open.UNREAD), ("referred", Open.REFERRED)):
        names = tuple(name for name, one in opens.items() if open_ in one)
        if names:
            yield Bar(key, names)


def _kept(decided: SetVerdict, key: str, action: Action, kept: tuple[Action, ...], off: Length) -> JournalWay:
    """A way on which every journal keeps the undersize it has, and so much comes off it."""
    present = decided.case.present
    sets_it, spare = _least_spare(decided, off)
    bars = [*_waits(decided, ground=False), *_beyond(decided, kept)]
    if off > ZERO and not any(bar.key == "needs more" for bar in bars):
        bars += _polished_away(decided, off)
    return JournalWay(
        key=key,
        action=action,
        step=present,
        bars=tuple(bars),
        sets_it=sets_it,
        to_spare=spare,
        clearances=_clearances(decided, action, present, {}),
    )


def _polished_away(decided: SetVerdict, off: Length) -> Iterator[Bar]:
    """The journals that a polish would take to their limit, or nearer than the gauge can tell."""
    near = {
        name: verdict.size.to_spare - verdict.size.may_fall - off
        for name, verdict in decided.case.verdicts.items()
        if verdict.size is not None and verdict.size.to_spare - verdict.size.may_fall - off < verdict.size.guard
    }
    if near:
        by = min(near.values(), key=lambda left: left.nm)
        yield Bar("polished away", tuple(near), -by) if by < ZERO else Bar("too near", tuple(near))


def _beyond(decided: SetVerdict, kept: tuple[Action, ...]) -> Iterator[Bar]:
    """The journals that cannot go this way by their own verdict."""
    names = tuple(
        name
        for name, verdict in decided.case.verdicts.items()
        if verdict.action not in kept and not verdict.opens & {Open.CRANK, Open.UNREAD, Open.REFERRED}
    )
    if names:
        yield Bar("needs more", names)


def _polish_shells(decided: SetVerdict) -> JournalWay:
    """Polish shells where a journal is a little small, its form sound."""
    verdicts = decided.case.verdicts
    needing = tuple(n for n, v in verdicts.items() if not keeps(v.action) and v.polish_shell is None)
    bars = list(_waits(decided, ground=False))
    shown = tuple(n for n in needing if not verdicts[n].opens & {Open.CRANK, Open.UNREAD, Open.REFERRED})
    if shown:
        bars.append(Bar("needs more", shown))
    if not any(verdict.polish_shell is not None for verdict in verdicts.values()):
        bars.append(Bar("nothing small"))
    return JournalWay(key=POLISH_SHELLS, action=Action.FIT_UNDERSIZE, bars=tuple(bars))


def _least_spare(decided: SetVerdict, off: Length) -> tuple[str, Length | None]:
    """The journal with the least left over its least size once so much is off, and what that is."""
    found = {
        name: verdict.size.to_spare - verdict.size.may_fall - off
        for name, verdict in decided.case.verdicts.items()
        if verdict.size is not None
    }
    if not found:
        return "", None
    worst = min(found, key=lambda name: found[name].nm)
    return worst, found[worst]


def _grind(decided: SetVerdict, rung: Rung, choice: SizeChoice | None) -> JournalWay:
    bars, asks = [*_waits(decided, ground=True), *_rung_bars(rung)], list[Bar]()
    if rung.asked:
        asks.append(Bar("thumb"))
    outlook = None if choice is None else choice.at(rung.step)
    if outlook is not None:
        if outlook.misses:
            by = -outlook.to_spare if outlook.to_spare < ZERO else None
            bars.append(Bar("misses", outlook.misses, by))
        elif outlook.tight:
            asks.append(Bar("tight", outlook.tight, outlook.to_spare))
    case = decided.case
    says = hardening_says(case.limits, case.house, rung.step, case.axis_shift)
    if says is not None and says.action is not Action.REGRIND:
        (bars if says.action is Action.REPLACE else asks).append(Bar("hardened", hardening=says))
    clearances = () if bars else _clearances(decided, Action.REGRIND, rung.step, {})
    if worst_called(clearances) is Called.BEYOND:
        asks.append(Bar("clearance"))
    return JournalWay(
        key=GRIND,
        action=Action.REGRIND,
        step=rung.step,
        bars=tuple(bars),
        asks=tuple(asks),
        sets_it=outlook.worst if outlook is not None else "",
        to_spare=outlook.to_spare if outlook is not None else None,
        case_left=_case_left(decided, rung.step),
        clearances=clearances,
    )


def _rung_bars(rung: Rung) -> Iterator[Bar]:
    if not rung.sold:
        yield Bar("not sold")
    if not rung.allowed:
        yield Bar("below smallest")


def _case_left(decided: SetVerdict, step: Length) -> Length | None:
    """The radial case left at a step; None where nothing is hardened or its depth is not known."""
    limits = decided.case.limits
    if limits.hardening in (Hardening.NONE, Hardening.UNKNOWN) or limits.case_depth is None:
        return None
    return case_left(limits.case_depth.value, step, decided.case.axis_shift)


def _clearances(
    decided: SetVerdict, action: Action, step: Length, others: Mapping[str, Length]
) -> tuple[Clearance, ...]:
    """The clearance every journal would have this way, where it is known of all."""
    tried = replace(decided, action=action, undersize=step, others=others, decision=None, ended=None)
    asked = [name for name, verdict in decided.case.verdicts.items() if verdict.case.survey.form is not None]
    # As if all else were settled: what is still open is said beside it.
    own = {
        name: replace(verdict, action=verdict.action if action is Action.REGRIND else action, opens=frozenset())
        for name, verdict in decided.case.verdicts.items()
    }
    tried = replace(tried, case=replace(decided.case, verdicts=own), awaiting=())
    found = [clearance_to_be(tried, name) for name in asked]
    return tuple(one for one in found if one is not None) if found and all(found) else ()


def _one_alone(decided: SetVerdict, choice: SizeChoice | None) -> Iterator[JournalWay]:
    """The journal that sets the size, alone at its own; the rest a size less, or as they are.

    Rule:    sets.mixed; where the house keeps one size for a set, this is barred and said.
    """
    if choice is None or choice.sure is None or decided.choice is None or len(decided.case.verdicts) < 2:
        return
    if decided.case.mixed:
        # The rest stand at several sizes already: which of them is meant a way cannot say.
        return
    rest = choice.without_worst
    if rest is None:
        others = {name: v for name, v in decided.case.verdicts.items() if name != choice.sets_it}
        if not all(keeps(verdict.action) for verdict in others.values()):
            return
        rest = decided.case.present
    if rest == choice.sure:
        return
    worst = choice.sets_it
    bars = [*_waits(decided, ground=True), *(() if decided.case.house.mixed_sizes else (Bar("one size"),))]
    clearances = () if bars else _clearances(decided, Action.REGRIND, rest, {worst: choice.sure})
    asks = (Bar("clearance"),) if worst_called(clearances) is Called.BEYOND else ()
    usable = decided.case.verdicts[worst].usable
    yield JournalWay(
        key=ALONE,
        action=Action.REGRIND,
        step=choice.sure,
        bars=tuple(bars),
        asks=asks,
        sets_it=worst,
        to_spare=None if usable is None else usable.sure - (decided.case.limits.size.least - choice.sure),
        case_left=_case_left(decided, choice.sure),
        clearances=clearances,
        alone=worst,
        rest=rest,
    )


def _follow(given: Given, decided: SetVerdict, choice: SizeChoice | None) -> Iterator[JournalWay]:
    """The smallest size where the journals are ground about the axis a bend left them, if that saves a step: stroke
    and index give instead of stock.

    Rule:    sets.follow-the-pin.
    """
    bent = {name: verdict for name, verdict in decided.case.verdicts.items() if verdict.case.bend > ZERO}
    if choice is None or decided.case.journal_set is not JournalSet.RODS or not bent or decided.follows:
        if decided.follows and decided.undersize is not None:
            yield from _followed(given, decided, decided.undersize, choice)
        return
    leaning = {n: judge_journal(replace(v.case, bend=tilt_at(given, n))) for n, v in bent.items()}
    followed = replace(decided, case=replace(decided.case, verdicts={**decided.case.verdicts, **leaning}))
    found = _choice(followed)
    if found is None or found.sure is None or (choice.sure is not None and choice.sure <= found.sure):
        return
    if any(not keeps(verdict.action) for verdict in followed.case.verdicts.values()):
        yield from _followed(given, followed, found.sure, found)


def _followed(given: Given, followed: SetVerdict, step: Length, choice: SizeChoice | None) -> Iterator[JournalWay]:
    """Following the pins to a size.

    Takes:   the set as it cleans up with nothing taken off but for how it leans.
    """
    case = followed.case
    moved = {name: throw_at(given, name) for name in case.verdicts}
    rung = next((one for one in regrind_steps(case.limits, case.present) if one.step == step), None)
    if rung is None:
        return
    way = _grind(followed, rung, choice)
    unknown = tuple(name for name, one in moved.items() if one is None)
    off = tuple(name for name, one in moved.items() if one is not None and set(one.faults) & {STROKE, INDEX_OFF})
    said = all(one is None or UNSAID not in one.faults for one in moved.values())
    bars = (Bar("side", unknown),) if unknown else (Bar("throw", off),) if off else ()
    asks = (*(() if said else (Bar("no throw"),)), *((Bar("axis"),) if case.house.keep_axis else ()))
    yield replace(way, key=FOLLOW, bars=(*way.bars, *bars), asks=(*way.asks, *asks), moved=moved)


def shells_had(decided: SetVerdict, way: JournalWay) -> bool | None:
    """Whether the shells a way needs can be had by the sheet; None where it needs none.

    Rule:    sets.shells-to-order: whether they can be had is asked before the crank goes out; they are ordered when
             the ground size is known.
    """
    if way.action is not Action.REGRIND or way.step is None:
        return None
    tried = replace(decided, action=way.action, undersize=way.size, others=way.others, decision=None)
    return not missing_shells(tried)


def worst_called(clearances: tuple[Clearance, ...]) -> Called | None:
    """How the clearances of a way stand together; None where the sheet gives no limit."""
    states = {one.called for one in clearances}
    return next((one for one in (Called.BEYOND, Called.TOO_CLOSE, Called.WITHIN) if one in states), None)
