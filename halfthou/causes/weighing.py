"""Causes weighed against what was seen, in words: what speaks for each, against it, and what nothing explains."""

from __future__ import annotations

from collections.abc import Container, Iterable, Iterator, Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from functools import cached_property, lru_cache

import numpy as np
from numpy.typing import NDArray

from halfthou.causes.cause import Cause
from halfthou.causes.known import CAUSES
from halfthou.causes.network import Network, Posterior, weigh
from halfthou.causes.sign import CHANCE, FALLS, Against, SignKind, Strength
from halfthou.causes.signs import EXCLUSIVE, SIGNS
from halfthou.jobs import ComplaintKind, Document


@dataclass(frozen=True, slots=True)
class SignSeen:
    """How a sign is known: in words, by which facts; `weak` where it was looked at after cleaning."""

    words: tuple[str, ...] = ()
    facts: tuple[str, ...] = ()
    weak: bool = False


@dataclass(frozen=True)
class Evidence:
    """What is known of one engine: signs seen, signs looked for and not there, and the kinds of its complaint. A
    sign in neither was not looked at, and says nothing."""

    seen: Mapping[str, SignSeen] = field(default_factory=dict)
    absent: Mapping[str, SignSeen] = field(default_factory=dict)
    complaint: frozenset[ComplaintKind] = frozenset()

    @cached_property
    def answered(self) -> frozenset[str]:
        """The signs that somebody looked for."""
        return frozenset({*self.seen, *self.not_there})

    @cached_property
    def disputed(self) -> frozenset[str]:
        """The signs of which one proves a cause and another rules it out: while both stand neither does.

        Rule:    evidence.contradiction.
        """
        both = [cause for cause, _, _ in both_ways(self.seen)]
        return frozenset(sign for cause in both for sign in (*cause.vetoes, *cause.proofs) if sign in self.seen)

    def counts_less(self, sign: str) -> bool:
        """Whether a seen sign counts less: looked at after cleaning, or disputed."""
        return self.seen[sign].weak or sign in self.disputed

    @cached_property
    def counted(self) -> dict[int, bool]:
        """The seen signs by column, each with whether it counts less."""
        return {_COLUMN[key]: self.counts_less(key) for key in self.seen if key in _COLUMN}

    @cached_property
    def not_there(self) -> dict[str, SignSeen]:
        """The signs that are not there: as looked for, and those that a seen one excludes."""
        found = {key: how for key, how in self.absent.items() if key not in self.seen}
        for group in EXCLUSIVE:
            there = [key for key in group if key in self.seen]
            for key in group if there else ():
                if key not in self.seen:
                    found.setdefault(key, self.seen[there[0]])
        return found


def both_ways(seen: Container[str]) -> Iterator[tuple[Cause, str, str]]:
    """The causes that one seen sign rules out and another proves, each with the two signs."""
    for cause in CAUSES.values():
        out, proof = ([sign for sign in of if sign in seen] for of in (cause.vetoes, cause.proofs))
        if out and proof:
            yield cause, out[0], proof[0]


class Word(StrEnum):
    """How a cause stands, in a word."""

    PROVED = "proved"
    LIKELY = "likely"
    POSSIBLE = "possible"
    NOT_LOOKED = "not looked"
    UNLIKELY = "unlikely"
    RULED_OUT = "ruled out"


#: From which chance on a cause is called so. Source: docs/trade: How causes are weighed, judgement;
#: bench/causes.py.
PROVED_FROM, LIKELY_FROM, POSSIBLE_FROM = 0.90, 0.65, 0.10
#: A rise of less than this is not worth a word.
RISE = 0.05


class CauseWeighed(Document):
    """One cause: its word, whether it is at least possible, the signs of it in few words, what speaks for and
    against it, which other damage it makes, what it leaves unexplained, what would settle it, and why it stands
    higher than its own evidence says."""

    key: str
    name: str
    word: Word
    stands: bool
    signs: tuple[str, ...]
    speaks_for: tuple[str, ...]
    against: tuple[str, ...]
    makes: tuple[str, ...]
    unexplained: tuple[str, ...]
    settled: str
    proof: tuple[str, ...]
    behind: tuple[str, ...]
    because: str
    remedy: str
    harmless: bool
    question: bool


@dataclass(frozen=True)
class Weighed:
    """All causes weighed: the chances behind the words are for tests and for choosing the next look."""

    evidence: Evidence
    posterior: Posterior
    chance: Mapping[str, float]
    words: Mapping[str, Word]
    unexplained: tuple[str, ...]

    @property
    def order(self) -> tuple[str, ...]:
        """The causes, best first: by word, then by chance."""
        ranks = list(Word)
        return tuple(sorted(self.chance, key=lambda key: (ranks.index(self.words[key]), -self.chance[key])))

    @property
    def standing(self) -> tuple[str, ...]:
        """Those that are at least possible, best first."""
        return tuple(key for key in self.order if self.words[key] in (Word.PROVED, Word.LIKELY, Word.POSSIBLE))


_ROW = {key: nth for nth, key in enumerate(CAUSES)}
_COLUMN = {key: nth for nth, key in enumerate(SIGNS)}
_KEYS = tuple(CAUSES)


def network_of(causes: Iterable[Cause], signs: Iterable[str], complaint: frozenset[ComplaintKind]) -> Network:
    """Causes and signs as rows and columns of chances.

    Source: docs/trade: How causes are weighed.
    """
    rows, columns = tuple(causes), {key: nth for nth, key in enumerate(signs)}
    place = {cause.key: nth for nth, cause in enumerate(rows)}
    shape = (len(rows), len(columns))
    leaves, weak, falls, weak_falls = np.zeros(shape), np.zeros(shape), np.zeros(shape), np.zeros(shape)
    brings = np.zeros((len(rows), len(rows)))
    for cause in rows:
        row = place[cause.key]
        for sign, strength in cause.edges.items():
            if sign in columns:
                leaves[row, columns[sign]] = CHANCE[strength]
                weak[row, columns[sign]] = CHANCE.get(Strength(strength - 1), 0.0) if strength > 1 else 0.0
        for sign, against in cause.against.items():
            if sign in columns:
                falls[row, columns[sign]] = FALLS.get(against, -np.inf)
                weak_falls[row, columns[sign]] = FALLS[Against(against - 1)] if against > 1 else 0.0
        for other, chance in cause.brings.items():
            if other in place:
                brings[row, place[other]] = chance
    prior = np.array([cause.chance(complaint) for cause in rows])
    leak = np.array([SIGNS[key].kind.value for key in columns])
    return Network(prior, leak, leaves, falls, brings, weak, weak_falls)


@lru_cache(maxsize=64)
def known_network(complaint: frozenset[ComplaintKind]) -> Network:
    """Everything that is known, for such a complaint."""
    return network_of(CAUSES.values(), SIGNS, complaint)


def weigh_causes(evidence: Evidence) -> Weighed:
    """Weigh every known cause against the evidence.

    Rule:    causes.weigh, causes.words.   Source: docs/trade: How causes are weighed.
    """
    posterior = weigh(
        known_network(evidence.complaint),
        evidence.counted,
        {_COLUMN[key]: how.weak for key, how in evidence.not_there.items() if key in _COLUMN},
    )
    each = _never_lifted(posterior, evidence)
    chance = {key: float(each[row]) for key, row in _ROW.items()}
    ranked = sorted(chance, key=lambda key: -chance[key])
    words = {
        key: _word(CAUSES[key], chance[key], evidence, next(one for one in ranked if one != key)) for key in ranked
    }
    return Weighed(evidence, posterior, chance, words, _unexplained(evidence, posterior))


def _never_lifted(posterior: Posterior, evidence: Evidence) -> NDArray[np.float64]:
    """The chance of every cause. One whose own sign was looked for and is not there never stands higher for it.

    Rule:    causes.words: "looked, nothing" lifts nothing whose own sign it clears.
    """
    each = posterior.of_each()
    cleared = [_ROW[key] for key, cause in CAUSES.items() if evidence.not_there.keys() & cause.leaves.keys()]
    if not cleared:
        return each
    before = posterior.of_each(posterior.by_seen)
    each[cleared] = np.minimum(each[cleared], before[cleared])
    return each


def ruled_out_by(cause: Cause, evidence: Evidence) -> tuple[str, ...]:
    """The signs that rule a cause out. One that counts less rules nothing out."""
    return tuple(sign for sign in cause.vetoes if sign in evidence.seen and not evidence.counts_less(sign))


def proof_of(cause: Cause, evidence: Evidence) -> tuple[str, ...]:
    """The settling looks that came out for a cause, as signs."""
    return tuple(sign for sign in cause.proofs if sign in evidence.seen and not evidence.counts_less(sign))


def _word(cause: Cause, chance: float, evidence: Evidence, runner_up: str) -> Word:
    """How a cause stands. Rule: causes.words."""
    if ruled_out_by(cause, evidence):
        return Word.RULED_OUT
    supported = [sign for sign in cause.leaves if sign in evidence.seen]
    if not supported:
        speaks = any(sign in evidence.seen for sign in cause.against)
        looked = any(sign in evidence.not_there for sign in cause.leaves)
        return Word.UNLIKELY if speaks or looked else Word.NOT_LOOKED
    if cause.question:
        return Word.POSSIBLE if chance >= POSSIBLE_FROM else Word.UNLIKELY
    if chance >= PROVED_FROM and proof_of(cause, evidence):
        return Word.PROVED
    others = CAUSES[runner_up].leaves
    own = [s for s in supported if cause.leaves[s] >= Strength.SPEAKS and s not in others]
    if chance >= LIKELY_FROM and own:
        return Word.LIKELY
    return Word.POSSIBLE if chance >= POSSIBLE_FROM else Word.UNLIKELY


_LEFT_BY_ANY = frozenset(sign for cause in CAUSES.values() for sign in cause.edges)


def _unexplained(evidence: Evidence, posterior: Posterior) -> tuple[str, ...]:
    """Damage that was seen and that more likely than not no cause has left. History explains itself."""
    keys = [key for key in evidence.seen if key in _LEFT_BY_ANY and SIGNS[key].kind is not SignKind.HISTORY]
    if not keys:
        return ()
    left = posterior.unexplained(np.array([_COLUMN[key] for key in keys], dtype=np.intp))
    return tuple(key for key, chance in zip(keys, left, strict=True) if chance > 0.5)


def in_words(weighed: Weighed) -> tuple[CauseWeighed, ...]:
    """Every cause in words, best first."""
    rises = _rises(weighed)
    return tuple(_in_words(CAUSES[key], weighed, rises.get(key, "")) for key in weighed.order)


def _in_words(cause: Cause, weighed: Weighed, because: str) -> CauseWeighed:
    evidence = weighed.evidence
    by_strength = sorted(cause.leaves, key=lambda sign: -cause.leaves[sign])
    missing = [s for s in by_strength if s in evidence.not_there and cause.leaves[s] >= Strength.SPEAKS]
    covered = {*cause.edges}
    return CauseWeighed(
        key=cause.key,
        name=cause.name,
        word=weighed.words[cause.key],
        stands=cause.key in weighed.standing,
        signs=tuple(SIGNS[sign].words for sign in by_strength if sign in evidence.seen),
        speaks_for=tuple(_said(sign, evidence.seen[sign]) for sign in by_strength if sign in evidence.seen),
        against=(
            *(_said(sign, evidence.seen[sign]) for sign in cause.against if sign in evidence.seen),
            *(f"not there: {SIGNS[sign].words}" for sign in missing),
        ),
        makes=tuple(SIGNS[sign].words for sign in cause.makes if sign in evidence.seen),
        unexplained=tuple(
            SIGNS[sign].words
            for sign in evidence.seen
            if sign in _LEFT_BY_ANY and sign not in covered and SIGNS[sign].kind is not SignKind.HISTORY
        ),
        settled=cause.settled,
        proof=tuple(_said(sign, evidence.seen[sign]) for sign in proof_of(cause, evidence)),
        behind=tuple(CAUSES[other].name for other in cause.brings if other in weighed.standing),
        because=because,
        remedy=cause.remedy,
        harmless=cause.harmless,
        question=cause.question,
    )


def _said(sign: str, how: SignSeen) -> str:
    """A sign with where it was seen, where that is more than the sign itself says."""
    where = [words for words in how.words if words and words not in SIGNS[sign].words]
    more = f" ({'; '.join(where[:2])}{' and more' if len(where) > 2 else ''})" if where else ""
    return f"{SIGNS[sign].words}{more}{', seen after cleaning' if how.weak else ''}"


def _rises(weighed: Weighed) -> dict[str, str]:
    """Which causes stand higher only because others are ruled out or little speaks for them, and which those are.

    "Looked, nothing" never speaks for a cause: where it raises one, the reason is said. Rule: causes.words.
    """
    posterior, evidence = weighed.posterior, weighed.evidence
    if not evidence.not_there and all(word is not Word.RULED_OUT for word in weighed.words.values()):
        return {}
    before = posterior.of_each(posterior.unruled)
    fallen = [key for key in weighed.chance if before[_ROW[key]] - weighed.chance[key] > RISE]
    found = {}
    for key, chance in weighed.chance.items():
        if chance - before[_ROW[key]] > RISE and fallen:
            most = sorted(fallen, key=lambda one: weighed.chance[one] - before[_ROW[one]])[:2]
            found[key] = _fell(most, weighed)
    return found


def _fell(keys: list[str], weighed: Weighed) -> str:
    names = " and ".join(f"“{CAUSES[key].name}”" for key in keys)
    if all(weighed.words[key] is Word.RULED_OUT for key in keys):
        return f"{names} {'are' if len(keys) > 1 else 'is'} ruled out"
    return f"less speaks for {names}"
