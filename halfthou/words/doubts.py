"""In words: what would settle a doubt, and what a doubted reading may have been meant to be."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.gauges import GaugeQuestion
from halfthou.jobs import Document
from halfthou.lengths import Notation, Shown, Unit
from halfthou.surveys import Doubtful, SpotState, Suspicion
from halfthou.verdicts import Settling, SettlingWay
from halfthou.words.reason import Reason


class Offer(Document):
    """One size a reading may have meant: as the gauge would have shown it, and the slip that would explain it."""

    slip: str
    meant: Shown
    words: str


class DoubtShown(Document):
    """A question about a reading. `holds` says it is not judged until it is answered."""

    reading: str
    spot: str
    holds: bool
    throughout: bool
    question: str
    offers: tuple[Offer, ...]
    rule: str


_GAUGE_ASKED = {
    GaugeQuestion.KIND: "This gauge is not made for this. Read it with one that is, or keep it as it is.",
    GaugeQuestion.RANGE: "This size lies outside the gauge's range. Which gauge was it? Read it again, or keep it.",
    GaugeQuestion.OUT: "The gauge is out: its zero error is too large. Set it and read again, or keep it.",
    GaugeQuestion.OVERDUE: "The gauge is overdue for calibration. Read it with another, or keep it.",
    GaugeQuestion.NOT_SET: "The gauge was not set for this sitting. Set it and read again, or keep it.",
    GaugeQuestion.DRIFTED: "The gauge read its master differently afterwards: it shifted. Read again, or keep it.",
}
_RULES = {
    Doubtful.MEANT: "surveys.slips",
    Doubtful.THROUGHOUT: "surveys.slips",
    Doubtful.LIKE_UNDERSIZE: "surveys.slip-or-undersize",
    Doubtful.NEIGHBOUR: "surveys.slips",
    Doubtful.ODD: "surveys.odd-value",
    Doubtful.GAUGE: "gauges.standing",
}


def doubt_shown(state: SpotState) -> DoubtShown | None:
    """The question about a spot's reading, in the unit it was read in."""
    doubt = state.doubt
    if doubt is None:
        return None
    reading = next(taken.reading for taken in state.counted if taken.reading.id == doubt.reading)
    say = Notation.usual(reading.length_unit)
    offers = tuple(
        Offer(slip=o.kind.value, meant=say.shown(o.meant), words=f"{say.text(o.meant)}, {o.kind.value}")
        for o in doubt.offers
    )
    return DoubtShown(
        reading=reading.id,
        spot=state.spot,
        holds=doubt.holds,
        throughout=doubt.throughout,
        question=_question(doubt, say),
        offers=offers,
        rule=_RULES[doubt.why],
    )


def _question(doubt: Suspicion, say: Notation) -> str:
    away = say.text(abs(doubt.away))
    way = "larger" if doubt.away.nm > 0 else "smaller"
    if doubt.why is Doubtful.MEANT:
        return f"{away} {way} than its neighbours. Did you mean {say.text(doubt.offers[0].meant)}?"
    if doubt.why is Doubtful.THROUGHOUT:
        return f"The whole journal lies {away} off. Did you mean {say.text(doubt.offers[0].meant)}, and so on?"
    if doubt.why is Doubtful.LIKE_UNDERSIZE:
        meant = say.text(doubt.offers[0].meant)
        return f"{away} {way}: a turn of the thimble ({meant}), or ground under. Look at the back of the shell."
    if doubt.why is Doubtful.GAUGE and doubt.gauge is not None:
        return _GAUGE_ASKED[doubt.gauge]
    if doubt.why is Doubtful.NEIGHBOUR:
        return f"It does not fit here, but it fits {doubt.neighbour}. Which journal is in hand?"
    return f"{away} {way} than the form of the others puts it. Read it again, or keep it."


def settling_words(settlings: Iterable[Settling], say: Notation) -> Iterator[str]:
    """The ways to settle, each in one sentence that says what to do, and once."""
    yield from dict.fromkeys(_ways(settlings, say))


def _ways(settlings: Iterable[Settling], say: Notation) -> Iterator[str]:
    for one in settlings:
        figure = one.figure
        if one.way is SettlingWay.READ_AGAIN:
            readings = "reading" if one.more == 1 else "readings"
            yield f"Take {one.more} more {readings} at {' and at '.join(one.spots)}: that settles {figure}."
        elif one.way is SettlingWay.CHECK_GAUGE:
            yield f"Check {one.gauge} on a {standard_near(one, say)} standard, for {figure}."
        elif one.way is SettlingWay.FINER_GAUGE:
            yield f"Use a finer gauge, {one.gauge}, for {figure}."
        elif one.way is SettlingWay.COOL:
            yield f"Let it cool beside the gauge and read {' and '.join(one.spots)} again, or take its temperature."
        elif one.way is SettlingWay.MAKERS_LIMIT:
            yield f"The maker's limit for {figure}."
        elif one.way is SettlingWay.THIRD_ANGLE:
            yield "A third angle in each plane."
        elif one.way is SettlingWay.MORE_ANGLES:
            yield f"Turn it and read where the least lies between the angles: only the fit says so of {figure}."
        else:
            yield f"No gauge in the cabinet settles {figure} this near. Count it as beyond, or ask the maker."


def standard_near(one: Settling, say: Notation) -> str:
    """The size of a standard to check on: a whole millimetre, or a whole inch's quarter, near the size."""
    if say.unit is Unit.MM:
        return f"{round(one.near.nm / 1_000_000)} mm"
    quarters = round(one.near.nm / 6_350_000)
    return f"{quarters / 4:g} in"


def warmth_reasons(state: SpotState, say: Notation) -> Iterator[Reason]:
    """What warmth and zero error did to a reading, where it is more than a quarter of what is doubted anyway."""
    if not state.counted:
        return
    taken = state.counted[0]
    setup = taken.setup
    warm = setup.may_be_less(taken.size)
    if warm.nm:
        text = (
            f"Not rested: cooled down it may be {say.text(warm)} smaller than read. Let it cool, or take its "
            "temperature."
        )
        yield Reason(rule="gauges.temperature", text=text, spots=(state.spot,))
        return
    zero = setup.setting.zero if setup.setting else None
    before = taken.said if zero is None else taken.said - zero
    moved = taken.size - before
    if abs(moved).nm * 2 > setup.repeat.nm:
        text = f"Read at {setup.part.celsius:g} °C: brought to 20 °C it is {say.text(abs(moved))} "
        text += "smaller." if moved.nm < 0 else "larger."
        yield Reason(rule="gauges.temperature", text=text, spots=(state.spot,))
