"""Whether the promise holds: worn journals of known true form, read by simulated gauges through the real code.

Ten thousand journals near their limits. The figures, for each of size, out-of-round and taper: of all "within", the
share that is in truth beyond; of all "beyond", the share that is in truth within. Promised: at most 5 % each, the
one-sided 95 % of the guard band. Half of the gauges were checked on a standard before measuring. Then journals that
stand exactly at a limit of five scatters: the share called beyond. Then a figure of every other kind of part,
the same, and further from its limit than three of its doubts.
"""

from __future__ import annotations

import random
import sys
from collections import Counter
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1]))

from halfthou.assess import assess
from halfthou.jobs import SettingCheck
from halfthou.lengths import Length, Unit
from halfthou.verdicts import FigureKey
from tests.core.test_extremes import SCATTER, called_beyond
from tests.making import NOON, inches
from tests.simulated import TENTH, TrueGauge, TrueJournal, bench_job, micrometer, readings_of
from tests.simulated_parts import TRIED, tried_out

JOURNALS, AT_LIMIT, EACH = 10_000, 1_000, 2_000
LIMIT, OVAL, TAPER = inches("2.0370").nm, inches("0.0010").nm, inches("0.0006").nm


def journal_near_its_limits(chance: random.Random) -> TrueJournal:
    """Every figure around its limit: the hardest to call."""
    oval = chance.uniform(0, 2 * OVAL)
    taper = chance.uniform(0, 2 * TAPER)
    least = LIMIT + chance.uniform(-12, 12) * TENTH
    return TrueJournal(least + oval / 2 + taper, oval, chance.uniform(0, 180), taper)


def checked(gauge: TrueGauge, chance: random.Random) -> SettingCheck:
    """The gauge read three times on a two-inch standard that is good to a micrometre."""
    standard = inches("2.0000")
    true = standard.nm + chance.uniform(-1_000, 1_000)
    read = tuple(Length(gauge.read(true, chance)) for _ in range(3))
    return SettingCheck(id="c", gauge="mic", standard=standard, read=read, unit=Unit.INCH, by="bench", at=NOON)


def for_every_kind() -> None:
    """Print the same for a figure of every other kind: wrong of what was called, at the limit, and far from it."""
    print(f"truth, {EACH} parts of each kind near and past a limit, and {EACH} exactly at it:")
    for seed, tried in enumerate(TRIED):
        found = tried_out(tried, EACH, seed)
        within, beyond = found.share("within"), found.share("beyond")
        at = {state: found.at_limit[state] / EACH for state in ("within", "beyond")}
        reuse = found.far["wrong reuse"] / max(found.far["beyond"], 1)
        replace = found.far["wrong replace"] / max(found.far["inside"], 1)
        print(
            f"  {tried!s:<28} “within” in truth beyond {within:6.2%}, “beyond” in truth within {beyond:6.2%}; "
            f"at the limit within {at['within']:5.1%}, beyond {at['beyond']:5.1%}; "
            f"three doubts off: wrong reuse {reuse:.2%}, wrong replace {replace:.2%}"
        )


def main() -> None:
    """Print what was called and how much of it was wrong."""
    chance = random.Random(8)
    called: Counter[tuple[str, str]] = Counter()
    wrong: Counter[tuple[str, str]] = Counter()
    for trial in range(JOURNALS):
        true = journal_near_its_limits(chance)
        gauge = TrueGauge(micrometer(TENTH, TENTH // 2, TENTH // 2), chance.uniform(-TENTH, TENTH), TENTH / 2)
        warm = 1 + 11.7e-6 * chance.uniform(-1, 1)
        grown = TrueJournal(true.size * warm, true.oval, true.turned_deg, true.taper)
        checks = (checked(gauge, chance),) if trial % 2 else ()
        job = bench_job(readings_of("R1", grown, gauge, chance), gauge.gauge, checks)
        truth = {
            "least size": true.least < LIMIT,
            "out-of-round": true.oval > OVAL,
            "taper": true.taper > TAPER,
        }
        for figure in assess(job).part("R1").figures:
            if figure.name not in truth:
                continue
            key = figure.name, figure.called.value
            called[key] += 1
            wrong[key] += truth[figure.name] if figure.called.value == "within" else not truth[figure.name]
    print(f"truth, {JOURNALS} journals near their limits, read by simulated gauges:")
    for name in ("least size", "out-of-round", "taper"):
        close = called[name, "too close"] / JOURNALS
        for state, truly in (("within", "beyond"), ("beyond", "within")):
            share = wrong[name, state] / max(called[name, state], 1)
            print(f"  {name:<13} “{state}” {called[name, state]:>5}, in truth {truly} {share:6.2%}")
        print(f"  {name:<13} too close to call {close:.1%}")
    for_every_kind()
    print(f"exactly at the limit, called beyond, {AT_LIMIT} journals each (promised 5 %, allowed 6.5 %):")
    for figure_key in (FigureKey.SIZE, FigureKey.OUT_OF_ROUND, FigureKey.TAPER):
        for planes in (2, 3, 5):
            share = called_beyond(100 + planes, planes, figure_key, 5 * SCATTER, AT_LIMIT)
            print(f"  {figure_key.value:<13} {planes} planes {share:6.2%}")


if __name__ == "__main__":
    main()
