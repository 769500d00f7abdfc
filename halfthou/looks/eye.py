"""All that was seen of one part, as what it does to it."""

from __future__ import annotations

from collections.abc import Container, Iterable, Iterator, Mapping
from typing import NamedTuple

from halfthou.jobs import Seen
from halfthou.looks.effect import KEEPS_BACK, Does, Effect
from halfthou.looks.look import LookKind

#: What a fault becomes once work was done on the part: nobody knows whether it is still there.
_AGAIN = Effect(Does.HOLDS, "looks.after-work", "Found before the work on it: look at it again.")
#: What an answer does that is on no list: a newer program or an older one wrote it.
_UNLISTED = Effect(Does.HOLDS, "looks.unlisted", "That is on no list of answers: look again and choose one.")
#: What work leaves as it was found: only its own proof ends it.
_OUTLASTS = frozenset({Does.REJECTS, Does.REFERS, Does.ASKS})


class EffectSeen(NamedTuple):
    """An effect with the answer that has it, and the look it answers; `again` where work has overtaken it."""

    effect: Effect
    seen: Seen
    look: str
    again: bool = False

    @property
    def words(self) -> str:
        """The sentence said of it."""
        text = self.effect.words.format(self.seen.answer)
        text = text[:1].upper() + text[1:]
        if self.effect.does is not Does.HOLDS:
            return text
        return f"{self.look[0].upper()}{self.look[1:]}: {self.seen.answer}. {text}"


class Eye(tuple[EffectSeen, ...]):
    """All that what was seen of one part does to it, in the order of its kind's looks."""

    __slots__ = ()

    def that(self, *does: Does, on: str = "") -> tuple[EffectSeen, ...]:
        """The effects that do so, and come to a thing where one is named."""
        return tuple(one for one in self if one.effect.does in does and (not on or one.effect.on == on))

    def does(self, does: Does, on: str = "") -> bool:
        """Whether anything seen does so."""
        return any(self.that(does, on=on))

    @property
    def found(self) -> tuple[str, ...]:
        """What keeps the part back, in a few words: each look once, its answer, what was measured."""
        found = {one.look: one.seen for one in self.that(*KEEPS_BACK)}
        return tuple(
            ", ".join(text for text in (f"{look}: {seen.answer}", seen.typed) if text)
            for look, seen in found.items()
        )

    def rules(self, does: Does) -> tuple[str, ...]:
        """The rules by which it does so, each once."""
        return tuple(dict.fromkeys(one.effect.rule for one in self.that(does)))


#: Of a part at which nobody looked.
UNSEEN = Eye()


def eye_of(
    rows: Iterable[LookKind], seen: Mapping[str, Seen], kind: str, said: frozenset[str], overtaken: Container[str]
) -> Eye:
    """What was seen of one part, as effects.

    Takes:   the looks in the order in which they are told; what counts of each look; the part's kind; what house
             rules and sheet say; the facts that work has overtaken.
    """
    return Eye(
        _after(effect, found, key, again=found.id in overtaken)
        for key, found, effect in _effects(rows, seen)
        if effect.stands(kind, said, seen)
    )


def _after(effect: Effect, found: Seen, look: str, *, again: bool) -> EffectSeen:
    return EffectSeen(_AGAIN if again and effect.does not in _OUTLASTS else effect, found, look, again)


def _effects(rows: Iterable[LookKind], seen: Mapping[str, Seen]) -> Iterator[tuple[str, Seen, Effect]]:
    for row in rows:
        found = seen.get(row.key)
        if found is None:
            continue
        answer = row.answer(found.answer)
        if answer is not None:
            yield from ((row.key, found, effect) for effect in answer.does)
        elif row.judges:
            yield row.key, found, _UNLISTED
