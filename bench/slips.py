"""How many slips of reading are caught, and how often a sound reading is asked about.

Ten thousand readings of simulated worn journals are cut off at a random spot; one slip of the table is put into the
last of them, in turn, and the real code is asked. The figures: of each kind the share that is asked about at once
(caught), and of those the share whose true size is among the offers (right). Then ten thousand sound readings: the
share that is asked about (wanted: under 0.5 %), and the share for which a size was wrongly suggested.
"""

from __future__ import annotations

import random
import sys
from collections import Counter
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1]))

from halfthou.gauges import SlipKind
from halfthou.jobs import GaugeKind, SettingCheck
from halfthou.lengths import ZERO, Asked, Length, Unit, Unreadable
from halfthou.parts import CATALOGUE
from halfthou.surveys import read_at, window_for
from tests.making import NOON, inches, limits, sheet, survey_journals
from tests.simulated import TENTH, TURN, TrueGauge, altered, bench_job, micrometer, readings_of, worn

TRIALS = 10_000
SHEET = sheet(rods=limits())
JOURNAL = CATALOGUE["journal"].features[0]
NEW = 20_378 * TENTH
INCH = 25_400_000
REVOLUTION = 254_000
#: The comparator's slips need one: a snap gauge of a tenth whose dial turns once in ten thou, set at 2.0330 in.
SNAP = micrometer(TENTH, TENTH, TENTH // 2).model_copy(
    update={"kind": GaugeKind.SNAP_GAUGE, "revolution": Length(REVOLUTION)}
)
SETTING = SettingCheck(
    id="c", gauge="mic", standard=inches("2.0330"), read=(inches("2.0330"),), unit=Unit.INCH, by="bench", at=NOON
)


def slipped(kind: SlipKind, nm: int, chance: random.Random) -> int | str | None:
    """The size, or the text, that the slip makes of a true reading; None where it changes nothing."""
    digits = f"{nm // TENTH:05d}"
    if kind is SlipKind.TURN:
        return nm + chance.choice((-1, 1)) * TURN
    if kind is SlipKind.TWO_TURNS:
        return nm + chance.choice((-2, 2)) * TURN
    if kind is SlipKind.SLEEVE:
        return nm + chance.choice((-1, 1)) * 2_540_000
    if kind is SlipKind.FRAME:
        return nm - INCH
    if kind is SlipKind.DECIMAL:
        return f"{digits[:2]}.{digits[2:]}" if chance.random() < 0.5 else f".{digits}"
    if kind is SlipKind.TENTHS:
        below = (NEW - nm) // TENTH
        return f"-{below}" if below else None
    if kind is SlipKind.SWAPPED:
        at = chance.randrange(len(digits) - 1)
        if digits[at] == digits[at + 1]:
            return None
        swapped = digits[:at] + digits[at + 1] + digits[at] + digits[at + 2 :]
        return int(swapped) * TENTH
    if kind is SlipKind.DIGIT:
        at = chance.randrange(1, len(digits))
        return f"{digits[0]}.{digits[1:at]}{digits[at]}{digits[at:]}"
    if kind is SlipKind.SIGN:
        return 2 * SETTING.standard.nm - nm
    if kind is SlipKind.REVOLUTION:
        return nm + chance.choice((-1, 1)) * REVOLUTION
    return f"{nm / 1_000_000:.3f}" if kind is SlipKind.UNIT else None


def ask(read: list, last: object, meant: int | str | None, gauge: TrueGauge) -> tuple[bool, tuple[int, ...]]:
    """Whether the last reading is asked about, and the sizes offered."""
    text = meant if isinstance(meant, str) else altered(last, meant).typed
    sizes = [reading.size for reading in read]
    window = window_for(SHEET, "rods", JOURNAL, ZERO, sizes)
    try:
        found = read_at(text, Unit.INCH, window, gauge.gauge)
    except Unreadable:
        return True, ()
    if isinstance(found, Asked):
        return True, tuple(choice.length.nm for choice in found.choices)
    checks = (SETTING,) if gauge.gauge is SNAP else ()
    entered = last.model_copy(update={"count": found.length.nm, "typed": text})
    survey = survey_journals(bench_job([*read, entered], gauge.gauge, checks))[last.part]
    doubt = next((s.doubt for s in survey.spots if s.spot == last.spot), None)
    return doubt is not None, tuple(offer.meant.nm for offer in doubt.offers) if doubt else ()


def main() -> None:
    """Print both tables."""
    chance = random.Random(5)
    tried: Counter[SlipKind] = Counter()
    caught: Counter[SlipKind] = Counter()
    right: Counter[SlipKind] = Counter()
    asked = suggested = 0
    kinds = list(SlipKind)
    for trial in range(TRIALS):
        kind = kinds[trial % len(kinds)]
        comparator = kind in (SlipKind.SIGN, SlipKind.REVOLUTION)
        one = SNAP if comparator else micrometer(TENTH, TENTH, TENTH // 2)
        gauge = TrueGauge(one, chance.uniform(-TENTH, TENTH), TENTH / 2)
        ground = NEW - chance.choice((0, 0, 0, 100, 200)) * TENTH
        read = [r for n in range(1, 5) for r in readings_of(f"R{n}", worn(chance, ground), gauge, chance)]
        cut = chance.randrange(1, len(read))
        before, last = read[:cut], read[cut]
        flagged, offers = ask(before, last, last.size.nm, gauge)
        asked += flagged
        suggested += flagged and bool(offers)
        meant = slipped(kind, last.size.nm, chance)
        if meant is None or meant == last.size.nm:
            continue
        tried[kind] += 1
        flagged, offers = ask(before, last, meant, gauge)
        caught[kind] += flagged
        # A size typed in the other unit is rounded there: half a micrometre.
        right[kind] += flagged and any(abs(offer - last.size.nm) <= 600 for offer in offers)
    print(f"slips, {sum(tried.values())} put into readings of worn journals, asked about as the reading lands:")
    for kind in kinds:
        share = caught[kind] / tried[kind]
        good = right[kind] / max(caught[kind], 1)
        print(f"  {kind.value:<28} caught {share:6.1%}   the true size offered {good:6.1%}")
    wrong = 1 - sum(right.values()) / sum(caught.values())
    print(f"  all                          caught {sum(caught.values()) / sum(tried.values()):6.1%}   "
          f"wrong “did you mean” {wrong:6.1%}")  # fmt: skip
    print(
        f"sound readings asked about: {asked / TRIALS:.2%}; with a size wrongly suggested: {suggested / TRIALS:.2%}"
    )


if __name__ == "__main__":
    main()
