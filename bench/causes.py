"""What causes cost and how well they are told: milliseconds of this run, engines that fail as the model says,
and strengths shaken by a third.

Run: `.venv/bin/python bench/causes.py`. What a figure means is printed beside it.
"""

from __future__ import annotations

import random
import sys
import time
from pathlib import Path
from statistics import median

import numpy as np

ROOT = Path(__file__).resolve().parents[1]
sys.path.insert(0, str(ROOT))

from told import told as say  # noqa: E402

from halfthou.causes import (  # noqa: E402
    CAUSES,
    SIGNS,
    Evidence,
    Network,
    SignSeen,
    StillOpen,
    Weighed,
    Word,
    known_network,
    next_looks,
    weigh_causes,
)
from halfthou.jobs import ComplaintKind  # noqa: E402
from halfthou.parts import CATALOGUE  # noqa: E402

COMPLAINTS = [kind for kind in ComplaintKind if kind not in (ComplaintKind.NONE,)]
KEYS, COLUMNS = list(CAUSES), list(SIGNS)
#: A fixed list: the looks in the order of the table.
FIXED = [look.key for look in CATALOGUE.looks.on_the_board]


class Engine:
    """An engine that failed as the model says: its causes, its complaint, and every sign there or not."""

    def __init__(self, chance: random.Random, network: Network, complaint: frozenset[ComplaintKind]) -> None:
        self.complaint = complaint
        self.causes: set[int] = set()
        weights = network.prior / network.prior.sum()
        self.first = chance.choices(range(network.count), list(weights))[0]
        self.causes.add(self.first)
        for row in range(network.count):
            for other in list(self.causes):
                if chance.random() < network.brings[other, row]:
                    self.causes.add(row)
        quiet = 1 - network.leak.copy()
        for row in self.causes:
            quiet *= 1 - network.leaves[row]
        self.there = [chance.random() < 1 - one for one in quiet]
        ruled = {s for row in self.causes for s in np.flatnonzero(np.isneginf(network.falls[row]))}
        for column in ruled:
            self.there[int(column)] = False


def shaken(network: Network, chance: random.Random) -> Network:
    """The same with every strength up or down by a third at random."""
    leaves = network.leaves * np.array(
        [[chance.choice((2 / 3, 1.0, 4 / 3)) for _ in COLUMNS] for _ in range(network.count)]
    )
    leaves = np.clip(leaves, 0, 0.97)
    return Network(network.prior, network.leak, leaves, network.falls, network.brings, network.weak_leaves,
                   network.weak_falls)  # fmt: skip


def look_at(engine: Engine, signs: list[str], evidence: Evidence) -> Evidence:
    """The evidence with some signs looked at. A sign that only speaks against is no finding of its own where it is
    not there."""
    seen, absent = dict(evidence.seen), dict(evidence.absent)
    for sign in signs:
        (seen if engine.there[COLUMNS.index(sign)] else absent)[sign] = SignSeen()
    return Evidence(seen, absent, evidence.complaint)


def engines(count: int, seed: int, *, shake: bool = False) -> list[Engine]:
    """Engines that failed, each after a complaint of its own."""
    chance = random.Random(seed)
    made = []
    for _ in range(count):
        complaint = frozenset({chance.choice(COMPLAINTS)})
        network = known_network(complaint)
        made.append(Engine(chance, shaken(network, chance) if shake else network, complaint))
    return made


def rank_of_truth(weighed_order: list[str], engine: Engine) -> int:
    """At which place the cause that came first stands."""
    return weighed_order.index(KEYS[engine.first]) + 1


def told(count: int) -> None:
    """How often the true cause stands first, or among three, after so many random looks."""
    chance = random.Random(7)
    for looks in (10, 30):
        ranks = []
        for engine in engines(count, 11):
            signs = chance.sample(COLUMNS, min(looks * 2, len(COLUMNS)))
            weighed = weigh_causes(look_at(engine, signs, Evidence(complaint=engine.complaint)))
            order = sorted(weighed.chance, key=lambda key: -weighed.chance[key])
            ranks.append(rank_of_truth(order, engine))
        first, three = sum(r == 1 for r in ranks), sum(r <= 3 for r in ranks)
        print(f"after {looks:2} random looks: true cause first {100 * first / count:.0f} %, among three "
              f"{100 * three / count:.0f} % of {count} engines")  # fmt: skip


def words(count: int, *, shake: bool) -> None:
    """Of what was called proved, likely, possible: how much was true."""
    right = dict.fromkeys(Word, 0)
    said = dict.fromkeys(Word, 0)
    chance = random.Random(5)
    for engine in engines(count, 23, shake=shake):
        signs = chance.sample(COLUMNS, chance.choice((20, 40, 80)))
        weighed = weigh_causes(look_at(engine, signs, Evidence(complaint=engine.complaint)))
        for key, word in weighed.words.items():
            said[word] += 1
            right[word] += KEYS.index(key) in engine.causes
    shares = ", ".join(
        f"{word.value} {100 * right[word] / said[word]:.0f} % of {said[word]}"
        for word in (Word.PROVED, Word.LIKELY, Word.POSSIBLE, Word.UNLIKELY)
        if said[word]
    )
    print(f"called so and true{', strengths of the truth shaken by a third' if shake else ''}: {shares}")
    print("   (wanted: over 95, 80, 10 %)")


def saved(count: int) -> None:
    """How many looks until the true cause stands at 90 %: by the next look, and by a fixed list, of the engines
    where both get there within 40 looks."""
    both = []
    found = {False: 0, True: 0}
    for engine in engines(count, 31):
        by = {fixed: _until_told(engine, fixed=fixed) for fixed in (False, True)}
        for fixed, told_in in by.items():
            found[fixed] += told_in is not None
        if by[False] is not None and by[True] is not None:
            both.append((*by[False], *by[True]))
    looks, minutes, listed, list_minutes = (median(column) for column in zip(*both, strict=True))
    print(f"true cause at 90 % within 40 looks: {100 * found[False] / count:.0f} % by the next look, "
          f"{100 * found[True] / count:.0f} % by a fixed list; where both get there {looks:.0f} looks and "
          f"{minutes:.0f} min against {listed:.0f} and {list_minutes:.0f} (medians of {len(both)})")  # fmt: skip


def _until_told(engine: Engine, *, fixed: bool) -> tuple[int, int] | None:
    evidence, taken, minutes = Evidence(complaint=engine.complaint), set[str](), 0
    for nth in range(1, 41):
        if fixed:
            key = next((one for one in FIXED if one not in taken), "")
        else:
            found = next_looks(weigh_causes(evidence), StillOpen(CATALOGUE.looks, taken=frozenset(taken)), 1)
            key = found[0].key if found else ""
        if not key:
            return None
        taken.add(key)
        minutes += CATALOGUE.looks[key].minutes
        evidence = look_at(engine, list(CATALOGUE.looks[key].signs), evidence)
        if weigh_causes(evidence).chance[KEYS[engine.first]] >= 0.9:
            return nth, minutes
    return None


def stories() -> None:
    """How often the leading cause of each story that has one stays, with every strength shaken by a third."""
    from halfthou.causes import weighing
    from tests.core import test_stories as told_stories

    heard: list[Weighed] = []

    def listen(tell):
        def telling(*facts, **more):
            standing = tell(*facts, **more)
            heard.append(standing.weighed)
            return standing

        return telling

    told_stories.read, told_stories.measured = listen(told_stories.read), listen(told_stories.measured)
    for name, story in list(vars(told_stories).items()):
        if name.startswith("test_") and name[5].isdigit():
            for row in next((mark.args[1] for mark in getattr(story, "pytestmark", ())), [()]):
                story(*row)
    led = [one for one in heard if one.standing]
    chance, plain = random.Random(3), weighing.known_network
    stays = 0
    try:
        for _ in range(30):
            weighing.known_network = lambda complaint: shaken(plain(complaint), chance)
            for one in led:
                stays += weigh_causes(one.evidence).order[0] == one.order[0]
    finally:
        weighing.known_network = plain
    tries = 30 * len(led)
    print(f"strengths shaken by a third: the leading cause of {len(led)} stories stays in {100 * stays / tries:.0f}"
          f" % of {tries} weighings")  # fmt: skip


def speed() -> None:
    """Milliseconds of this run, medians; the ratio says what a tenth of the evidence costs."""
    chance = random.Random(1)
    network = known_network(frozenset({ComplaintKind.KNOCK}))
    engine = Engine(chance, network, frozenset({ComplaintKind.KNOCK}))

    def once(signs: list[str]) -> tuple[float, float]:
        found = look_at(engine, signs, Evidence(complaint=engine.complaint))
        began = time.perf_counter()
        weighed = weigh_causes(found)
        middle = time.perf_counter()
        next_looks(weighed, StillOpen(CATALOGUE.looks))
        return 1e3 * (middle - began), 1e3 * (time.perf_counter() - middle)

    once(COLUMNS)
    whole = [once(COLUMNS) for _ in range(15)]
    half = [once(chance.sample(COLUMNS, 60)) for _ in range(15)]
    few = [once(chance.sample(COLUMNS, 12)) for _ in range(15)]
    say(f"weighing {len(KEYS)} causes, all {len(COLUMNS)} signs looked at", median(w for w, _ in whole), "ms", 22)
    say("weighing them, 12 signs looked at", median(w for w, _ in few), "ms")
    say("the next look, 60 signs looked at", median(n for _, n in half), "ms", 45)


def main() -> None:
    speed()
    told(300)
    words(600, shake=False)
    words(600, shake=True)
    saved(60)
    stories()


if __name__ == "__main__":
    main()
