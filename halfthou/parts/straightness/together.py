"""The whole crank: straight or bent, what may be done with a bent one, and what a bend takes off each journal."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property

from halfthou.jobs import BentCrank, Hardening, HouseRules, Material
from halfthou.lengths import ZERO, Length
from halfthou.parts.pieces import PieceVerdict, PlacesTogether
from halfthou.parts.straightness.kind import CAST_STEEL, FORGED, GROUND, IRON, ROLLED, at_main
from halfthou.parts.straightness.shaft import Middle, Shaft
from halfthou.surveys import Offset
from halfthou.verdicts import Action, Called, Open

#: Float noise in nm: a bend this close to a whole nanometre is that nanometre on every machine.
NOISE_NM = 0.01


#: While one of these stands at any place, it is not known how the shaft lies.
_NOT_KNOWN = frozenset(
    {Open.UNREAD, Open.HELD, Open.CONTRADICTED, Open.UNSEEN, Open.SUPPORT, Open.STAND, Open.FOUR_ANGLES}
)


class WhatNow(StrEnum):
    """What may be done with a bent crank."""

    STRAIGHTEN = "straighten"
    REPLACE = "replace"
    REFER = "refer"
    SAY = "say how it is made"


@dataclass(frozen=True, kw_only=True)
class Straight(PlacesTogether):
    """Every place of a crank with its verdict, and the shaft they make.

    `barred` is why it is not pressed here, in words; `unsaid` what the sheet does not say and that has to be known
    first. `not_fresh` says that nobody indicated it fresh from the press, so that how far it crept is not known;
    `one_sitting` that it was indicated before and after the press in one sitting.
    """

    shaft: Shaft
    in_blocks: bool
    house: HouseRules
    barred: tuple[str, ...] = ()
    unsaid: tuple[str, ...] = ()
    not_fresh: bool = False
    one_sitting: bool = False

    @property
    def what_now(self) -> WhatNow:
        """What may be done with it once it is bent.

        Rule:    straightness.bent, straightness.not-pressed.
        """
        if self.house.bent_crank is BentCrank.REPLACE:
            return WhatNow.REPLACE if self.house.confirmed else WhatNow.REFER
        if self.barred:
            return WhatNow.REFER
        return WhatNow.SAY if self.unsaid else WhatNow.STRAIGHTEN

    @cached_property
    def own(self) -> Action:
        """What its verdict says, before a person decides otherwise."""
        by_eye = {one.action for one in self.verdicts.values()} & {Action.REPLACE, Action.REFER}
        if by_eye:
            return Action.REPLACE if Action.REPLACE in by_eye else Action.REFER
        if self.beyond:
            found = {
                WhatNow.STRAIGHTEN: Action.STRAIGHTEN,
                WhatNow.REPLACE: Action.REPLACE,
                WhatNow.REFER: Action.REFER,
                WhatNow.SAY: Action.MEASURE,
            }
            return found[self.what_now]
        good = self.verdicts and all(self.within(one) for one in self.verdicts.values())
        return Action.REUSE if good else Action.MEASURE

    @property
    def so_far(self) -> bool:
        """Whether places are still to be indicated, and nothing is known to be bent."""
        return bool(self.awaiting) and not self.beyond

    @property
    def ends(self) -> bool:
        """Whether the crank goes no further."""
        return self.action is Action.REPLACE

    @property
    def straight(self) -> bool:
        """Whether work may go on: nothing is beyond, too close or open, or a person accepted the bend. A bend that
        nobody knows is not accepted by a word.

        Rule:    straightness.first.
        """
        unknown = any(one.opens & _NOT_KNOWN for one in self.verdicts.values())
        return (self.action is Action.REUSE or self.only_seen) and not unknown

    @property
    def only_seen(self) -> bool:
        """Whether it lies true and only what was seen besides keeps it: that says nothing of how it lies.

        Rule:    straightness.besides.
        """
        if self.action is not Action.MEASURE or self.overruled is not None or self.beyond or not self.verdicts:
            return False
        return all(self.within(one, besides=True) for one in self.verdicts.values())

    def within(self, verdict: PieceVerdict, *, besides: bool = False) -> bool:
        """Whether one place is settled and within, or is but for what was seen `besides`."""
        opens = verdict.opens - {Open.SEEN} if besides else verdict.opens
        return not opens and not verdict.to_read and verdict.called is not Called.TOO_CLOSE

    def middle(self, part: str) -> Middle | None:
        """A place as it was indicated; None where it was not."""
        return self.shaft.middles.get(part)

    def on_line(self, verdict: PieceVerdict) -> bool:
        """Whether a place lies on the line because it makes it: an end main that carried the shaft or was read."""
        return verdict.case.piece.part.id in self.shaft.ends and self.line_known

    @property
    def line_known(self) -> bool:
        """Whether it is known how the line of the end mains lies."""
        return self.in_blocks or all(end in self.shaft.middles for end in self.shaft.ends)

    def tilt_takes_off(self, mains: tuple[str, str]) -> Length:
        """What a rod journal loses on diameter because it leans between its mains, though it is ground about the
        axis on which the bend left it: the wheel runs along the line of the mains. It is taken to be half as long
        as its mains stand apart.

        Takes:   the main before it and the one behind it.
        Rule:    sets.follow-the-pin.   Source: geometry: its length times how much it leans; the half is common
                 practice, no source.
        """
        of: dict[str, float] = {}
        for part, share in zip(map(at_main, mains), (0.25, -0.25), strict=True):
            if part in self.shaft.middles:
                for key, weight in self.shaft.about_the_line(part).items():
                    of[key] = of.get(key, 0.0) + share * weight
        return Length(math.ceil(self.shaft.bounds(of)[1] - NOISE_NM)) if of else ZERO

    def lies_between(self, mains: tuple[str, str]) -> Offset | None:
        """Where the middle of a rod journal lies beside the line of the end mains; None where the side of one of
        its mains is not known.

        Takes:   the main before it and the one behind it.
        Rule:    straightness.taken-off.
        """
        return self.shaft.offset(self._between(mains))

    def _between(self, mains: tuple[str, str]) -> dict[str, float]:
        """The sum that says where what lies half way between two mains stands; a main itself twice."""
        of: dict[str, float] = {}
        for part in map(at_main, mains):
            if part in self.shaft.middles:
                for key, weight in self.shaft.about_the_line(part).items():
                    of[key] = of.get(key, 0.0) + weight / 2
        return of

    def takes_off(self, mains: tuple[str, str]) -> Length:
        """What a bend takes off the size that a journal cleans up at, on diameter: of a main its total
        reading; of a rod journal twice the bend at its place between its two mains: stroke and index stay.

        Takes:   the main before it and the one behind it; a main itself twice.
        Rule:    straightness.taken-off.   Source: docs/trade: Run-out; geometry.
        """
        of = self._between(mains)
        if not of:
            return ZERO
        _, most = self.shaft.bounds(of)
        return Length(math.ceil(most - NOISE_NM))


def barred_by(made: dict[str, str], material: Material, hardenings: tuple[Hardening, ...]) -> Iterator[str]:
    """Why a crank is not pressed here, in words. What the sheet calls iron in either place is iron.

    Rule:    straightness.not-pressed.   Source: docs/trade: Run-out, from memory: cast iron snaps, rolled fillets
             lose what rolling gave, a hard skin cracks.
    """
    of = made.get("made of", "")
    if of and of not in (FORGED, CAST_STEEL):
        yield of
    elif material in IRON:
        yield material.value
    if made.get("fillets") == ROLLED:
        yield "rolled fillets"
    hard = [one for one in hardenings if one not in (Hardening.NONE, Hardening.UNKNOWN)]
    yield from dict.fromkeys(f"{one.value} journals" for one in hard)


def unsaid_of(made: dict[str, str], hardenings: tuple[Hardening, ...]) -> Iterator[str]:
    """What has to be known before a crank is pressed and the sheet does not say."""
    if "made of" not in made:
        yield "what the crank is made of"
    if made.get("fillets") not in (GROUND, ROLLED):
        yield "whether its fillets are ground or rolled"
    if not hardenings or Hardening.UNKNOWN in hardenings:
        yield "how its journals are hardened"
