"""What screen and rack are told of the looks: the order, what was taken, what was spent, the stop points."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime

from halfthou.first_look.order import expected_cost, order_looks
from halfthou.first_look.standing import Looks, asked_of_kind
from halfthou.first_look.taken import Found
from halfthou.first_look.usual import ASKED_AS
from halfthou.jobs import ENGINE, ComplaintKind, Document, LookRow, LookTable, StopPoint, StripFar, WayOn
from halfthou.parts import CATALOGUE
from halfthou.words import Caution, Reason, cautions_of_look


class LookShown(Document):
    """A look still to be taken: what it takes, what it spoils, its chance to end the job in per cent, and what has
    to come before it. `look` and `on` are what its answer is written down of; `answers` those of the table, none
    where it is only said in general what came of it."""

    key: str
    name: str
    how: str
    minutes: int
    time: str
    spoils: str
    harm_minutes: int
    percent: int
    after: str
    ends: str
    look: str
    on: str
    answers: tuple[str, ...]
    cautions: tuple[Caution, ...]


class TakenShown(Document):
    """A look that was taken. `weak` says that it was taken after cleaning, and counts less; `elsewhere` that its
    answer stands on another page."""

    id: str
    key: str
    name: str
    found: Found
    words: str
    by: str
    at: datetime
    time: str
    weak: bool
    at_the_door: bool
    elsewhere: bool


class BarredShown(Document):
    """A look that is not taken on this engine, and why."""

    key: str
    name: str
    why: str


class StopShown(Document):
    """A stop point, or a look that can end the job: whether it is reached, and what was decided there."""

    id: str
    name: str
    lit: bool
    words: str
    decided: str = ""
    on: bool | None = None
    agreed: bool = True


class WayShown(Document):
    """A way on and what it costs: time and money, in words."""

    name: str
    time: str
    money: str


class LooksReport(Document):
    """How the looks of a job stand. `expected` is the mean work in minutes until a look ends the job or all are
    taken, in this order; `plain` that in the order of a plain strip. Harm counts in both as work. What stands
    beside them in words is the same as time and money."""

    kinds: tuple[ComplaintKind, ...]
    order: tuple[LookShown, ...]
    taken: tuple[TakenShown, ...]
    barred: tuple[BarredShown, ...]
    expected: int
    plain: int
    expected_time: str
    plain_time: str
    spent_time: str
    spent_money: str
    hour_money: str
    currency: str
    stops: tuple[StopShown, ...]
    ways: tuple[WayShown, ...]
    stopped: bool
    reasons: tuple[Reason, ...]
    waits_for: str


def looks_report(looks: Looks, strip_minutes: int, strip_left: int) -> LooksReport:
    """How the looks stand, what comes next, and what each way on costs.

    Takes:   the looks of a job; the minutes of strip steps that are done, and of those that are left.
    Rule:    looks.order, looks.destroyed, looks.stop.
    """
    weighed, table = looks.weighed(), looks.table
    order = order_looks(weighed)
    plain = [row.key for row in looks.left]
    expected = round(expected_cost(order, weighed))
    spent_minutes = sum(looks.minutes_taken(key, one) for key, one in looks.taken.items()) + strip_minutes
    spent = coins_of(spent_minutes, table.hour)
    stops = tuple(_stops(looks, spent, order))
    plain_minutes = round(expected_cost(plain, weighed))
    return LooksReport(
        kinds=tuple(kind for kind in ComplaintKind if kind in looks.kinds),
        order=tuple(_shown(looks, looks.rows[key]) for key in order),
        taken=tuple(_taken(looks)),
        barred=tuple(_barred(looks)),
        expected=expected,
        plain=plain_minutes,
        expected_time=minutes_words(expected),
        plain_time=minutes_words(plain_minutes),
        spent_time=minutes_words(spent_minutes),
        spent_money=money_words(spent, table),
        hour_money=money_words(table.hour, table),
        currency=table.currency,
        stops=stops,
        ways=tuple(
            WayShown(name=name, time=minutes_words(took), money=money_words(coins_of(took, table.hour), table))
            for name, took in zip(_WAYS_ON, (expected, strip_left, strip_minutes), strict=True)
        ),
        stopped=_stopped(looks),
        reasons=tuple(_reasons(looks)),
        waits_for=_waits_for(looks, stops, order),
    )


#: What can be done now, each with what it costs: go on, strip, or stop.
_WAYS_ON = (
    "Go on looking, in the mean until a look ends it",
    "Strip all of it",
    "Stop, and put back what is off",
)


def _barred(looks: Looks) -> Iterator[BarredShown]:
    for row in looks.table.looks:
        if row.key not in looks.taken and looks.barred(row):
            yield BarredShown(key=row.key, name=row.name, why=looks.barred(row))


def coins_of(minutes: int, hour: int) -> int:
    """What so many minutes cost, in the smallest coin, at an hour's price."""
    return round(minutes * hour / 60)


def minutes_words(minutes: int) -> str:
    """Minutes of work as the shop says them.

    >>> minutes_words(40), minutes_words(80), minutes_words(120)
    ('40 min', '1 h 20', '2 h')
    """
    if minutes < 60:
        return f"{minutes} min"
    hours, rest = divmod(minutes, 60)
    return f"{hours} h {rest:02d}" if rest else f"{hours} h"


def money_words(sum_: int, table: LookTable) -> str:
    """A sum in whole coins of the shop's money; "" where nobody has chosen what an hour costs."""
    return "" if not table.confirmed else f"{sum_ / table.coins:,.0f} {table.currency}"


def _shown(looks: Looks, row: LookRow) -> LookShown:
    left = {one.key for one in looks.left}
    after = looks.rows[row.after].name if row.after in left and row.after is not None else ""
    percent = looks.percent(row)
    look, on = ASKED_AS.get(row.key, (row.key, ENGINE))
    ends = "often ends it" if percent >= 25 else "may end it" if percent >= 10 else "seldom ends it"
    return LookShown(
        key=row.key,
        name=row.name,
        how=row.how,
        minutes=looks.minutes(row),
        time=minutes_words(looks.minutes(row)),
        spoils=row.spoils,
        harm_minutes=row.harm_minutes,
        percent=percent,
        after=after,
        ends=ends,
        look=look,
        on=on,
        answers=CATALOGUE.looks[look].texts if row.key in ASKED_AS else (),
        cautions=cautions_of_look(row.key),
    )


def _taken(looks: Looks) -> Iterator[TakenShown]:
    for key, one in sorted(looks.taken.items(), key=lambda pair: (pair[1].at, pair[0])):
        row = looks.rows.get(key)
        yield TakenShown(
            id=one.id,
            key=key,
            name=row.name if row is not None else key,
            found=one.found,
            words=one.words,
            by=one.by,
            at=one.at,
            time=minutes_words(looks.minutes_taken(key, one)),
            weak=looks.weak(key, one),
            elsewhere=one.elsewhere,
            at_the_door=any(said.id == one.id for said in looks.job.statements),
        )


def _way(looks: Looks, point: str) -> WayOn | None:
    """What was decided last at a point."""
    found = [way for way in looks.job.standing(looks.job.ways_on) if way.point == point]
    return found[-1] if found else None


def _stops(looks: Looks, spent: int, order: tuple[str, ...]) -> Iterator[StopShown]:
    for point in looks.job.standing(looks.job.stop_points):
        lit = spent >= point.spend if point.spend is not None else _reached(looks, point, order)
        yield _decided(looks, StopShown(id=point.id, name=point.name, lit=lit, words=_words(looks, point, spent)))
    for key, one in looks.taken.items():
        if one.found is Found.ENDS:
            first = looks.job.house_rules.strip_far is StripFar.FIRST_FATAL
            rule = "work stops here" if first else "the strip goes on; ask the customer"
            words = f"{looks.rows[key].name if key in looks.rows else key}: {one.words}. House rule: {rule}."
            stop = StopShown(id=one.id, name="A look can end the job", lit=True, words=words, agreed=False)
            yield _decided(looks, stop)


def _decided(looks: Looks, stop: StopShown) -> StopShown:
    """A stop with what was decided there last."""
    way = _way(looks, stop.id)
    if way is None:
        return stop
    said = f"{'Gone on' if way.on else 'Stopped'}: {way.reason} ({way.by})"
    return stop.model_copy(update={"decided": said, "on": way.on})


def _reached(looks: Looks, point: StopPoint, order: tuple[str, ...]) -> bool:
    """Whether the look that a point stands before comes next, or was taken already."""
    return point.before in looks.taken or order[:1] == (point.before,)


def _words(looks: Looks, point: StopPoint, spent: int) -> str:
    table = looks.table
    if point.spend is not None:
        agreed = f"{point.spend / table.coins:,.0f} {table.currency}"
        if not table.confirmed:
            return f"agreed: {agreed}. What an hour costs is not chosen yet: say it in the house rules"
        return f"{money_words(spent, table)} spent of {agreed}"
    row = looks.rows.get(point.before or "")
    name = row.name if row is not None else str(point.before)
    return "" if name in point.name else name


def _stopped(looks: Looks) -> bool:
    """Whether it was decided to stop, and nobody decided to go on since."""
    ways = looks.job.standing(looks.job.ways_on)
    return bool(ways) and not ways[-1].on


def _reasons(looks: Looks) -> Iterator[Reason]:
    if asked_of_kind(looks.job):
        yield Reason(
            rule="looks.order", text="Say at the door which kinds the complaint falls under: they choose the order."
        )
    for key, one in looks.taken.items():
        name = looks.rows[key].name if key in looks.rows else key
        if looks.weak(key, one):
            yield Reason(
                rule="looks.destroyed", text=f"{name}: looked at after cleaning. It is kept, and counts less."
            )


def _waits_for(looks: Looks, stops: tuple[StopShown, ...], order: tuple[str, ...]) -> str:
    """What the job waits for before the bench: the customer at a stop point, else the next look."""
    if _stopped(looks):
        return "the hand-over: it was stopped"
    lit = next((stop for stop in stops if stop.lit and stop.on is None), None)
    if lit is not None:
        return f"the customer: {lit.name if lit.agreed else 'a look can end the job'}"
    return f"the look: {looks.rows[order[0]].name}" if order else ""
