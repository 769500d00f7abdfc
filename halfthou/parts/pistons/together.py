"""The pistons together: which goes into which bore, one bad or all, crown heights and weights held against each
other."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property

from halfthou.engines import Engine
from halfthou.jobs import HouseRules
from halfthou.lengths import ZERO, Length
from halfthou.parts.bores import BoreSet
from halfthou.parts.fit import LEAST, SKIRT, ClearanceLimits
from halfthou.parts.pieces import WORST_FIRST, Note, PiecesTogether, PieceVerdict
from halfthou.parts.pistons.kind import WEIGHT, bank_of
from halfthou.parts.pistons.looks import LEFT, MADE_FOR, RIGHT, ROD, STILL_ON
from halfthou.sets import Candidate, Clearances, Pair, Paired, PairingPlace, pair_pistons
from halfthou.verdicts import Action, Open

_OUT = (Action.REPLACE, Action.REFER)
_BORED = (Action.REBORE, Action.SLEEVE)


@dataclass(frozen=True, kw_only=True)
class PistonSet(PiecesTogether):
    """The decision on the pistons.

    `steps` is the oversize each piece is of; the bores tell whether they are bored, and to which size. `paired` is
    the best choice for the whole set, None while it cannot be made; `paired_failed` says that all is read
    and still no choice keeps every pair within what is allowed.
    """

    steps: Mapping[str, Length]
    bores: BoreSet | None
    house: HouseRules
    limits: ClearanceLimits | None
    paired: Paired | None = None
    paired_failed: bool = False
    notes: Mapping[str, tuple[Note, ...]] = field(default_factory=dict)

    @property
    def bored_to(self) -> Length | None:
        """The size the bores go to, where they are bored or sleeved; None where they stay."""
        bores = self.bores
        return bores.oversize if bores is not None and bores.action in _BORED else None

    @property
    def step(self) -> Length | None:
        """The size of the pistons that will run."""
        if self.bored_to is not None:
            return self.bored_to
        found = {self.steps[one.case.piece.part.id] for one in self.placed.values()}
        return next(iter(found)) if len(found) == 1 else None

    @property
    def pair_of(self) -> dict[str, Pair]:
        """The pair chosen for each place."""
        return {pair.place: pair for pair in self.paired.pairs} if self.paired is not None else {}

    def goes(self, piece: str) -> bool:
        """Whether the bore of a piece in its place is taken to another size than the piece is of."""
        verdict = self.verdicts[piece]
        if self.bores is None or not verdict.case.placed:
            return False
        bore = verdict.case.place.replace("piston-", "bore-")
        to = self.bores.oversize or ZERO
        return self.bores.action_of(bore) in _BORED and self.steps[piece] != to

    def action_of(self, piece: str) -> Action:
        """What becomes of one piece once the set is decided."""
        verdict = self.verdicts[piece]
        own = verdict.action
        if self.overruled is not None and verdict.case.placed:
            return self.overruled
        if verdict.scrap or not verdict.case.placed:
            return own
        if self.goes(piece):
            return Action.REPLACE
        chosen = {pair.piece: pair.place for pair in self.pair_of.values()}
        if self.paired is None:
            return own if own is not Action.MOVE else Action.REPLACE if self.paired_failed else Action.MEASURE
        if piece not in chosen:
            return Action.REPLACE if own in (Action.REUSE, Action.MOVE) else own
        if own not in (Action.REUSE, Action.MOVE):
            return own
        return Action.MOVE if chosen[piece] != verdict.case.place else Action.REUSE

    @cached_property
    def own(self) -> Action:
        """What the set comes to: the worst of those in the engine; replaced where the bores outgrow them."""
        actions = {self.action_of(one.case.piece.part.id) for one in self.placed.values()}
        if not actions or len(self.placed) < self.places:
            actions.add(Action.MEASURE)
        if Action.MEASURE in actions and Action.REFER not in actions:
            return Action.MEASURE
        return min(actions, key=WORST_FIRST.index)

    @property
    def action(self) -> Action:
        """What is done with the pistons."""
        return self.overruled or self.own

    @property
    def awaiting(self) -> tuple[str, ...]:
        """The pieces in the engine that are still to be read, by piece."""
        return tuple(
            one.case.piece.part.id
            for one in self.placed.values()
            if one.to_read and not self.goes(one.case.piece.part.id)
        )

    @property
    def so_far(self) -> bool:
        """Whether readings are missing, or a place is empty."""
        return bool(self.awaiting) or len(self.placed) < self.places

    @property
    def out(self) -> tuple[PieceVerdict, ...]:
        """Those in the engine that do not go back, in the order of the cylinders."""
        return tuple(v for v in self.placed.values() if self.action_of(v.case.piece.part.id) in _OUT)


def paired_pistons(found: PistonSet, engine: Engine) -> tuple[Paired | None, bool]:
    """Pair the sound pieces with the bores, where every bore and every piece in the engine is read.

    Gives:   the pairing, and whether it was tried and no choice keeps every pair within what is allowed.
    Rule:    sets.pairing: what must not be together first; then the whole set at once.
    """
    bores, limits = found.bores, found.limits
    if bores is None or limits is None or found.awaiting or len(found.placed) < found.places:
        return None, False
    if any(v.case.survey.form is None or not v.case.survey.whole for v in bores.verdicts.values()):
        return None, False
    if bores.action in (Action.MEASURE, Action.REFER, Action.REPLACE) and not _only_pistons(bores):
        return None, False
    pieces = {n: v for n, v in found.verdicts.items() if _usable(v)}
    if not pieces or any(v.action is Action.MEASURE for v in found.placed.values()):
        return None, False
    places = [_place(found, engine, cylinder, pieces) for cylinder in range(1, found.places + 1)]
    if len(pieces) < len(places) and not any(v.action is Action.MOVE for v in pieces.values()):
        return None, False
    candidates = [_candidate(verdict) for verdict in pieces.values()]
    wanted = Clearances(limits.target, limits.band.least, limits.worn.value)
    best = pair_pistons(places, candidates, wanted)
    return best, best is None and bores.action not in _BORED


def _only_pistons(bores: BoreSet) -> bool:
    """Whether nothing is open of the bores but what their pistons are to settle."""
    return all(v.opens <= {Open.PISTON} for v in bores.verdicts.values())


def _usable(verdict: PieceVerdict) -> bool:
    return verdict.keeps and bool(verdict.case.survey.sizes) and not verdict.scrap


def _place(found: PistonSet, engine: Engine, cylinder: int, pieces: Mapping[str, PieceVerdict]) -> PairingPlace:
    bores = found.bores
    if bores is None:
        raise ValueError("pistons are paired with bores that are in scope")
    name, verdict = f"piston-{cylinder}", bores.verdicts[f"bore-{cylinder}"]
    bored = bores.action_of(verdict.case.bore.part.id) in _BORED
    size, step = min(verdict.case.survey.sizes.values()), verdict.case.present
    if bored:
        step = bores.oversize or ZERO
        size = -verdict.usable.sure if verdict.usable is not None else size
    bank = bank_of(engine.layout, cylinder)
    fits = {
        piece
        for piece, v in pieces.items()
        if found.steps[piece] == step and may_lie_in(v, found, (name, bank), engine)
    }
    own = next((n for n, v in pieces.items() if v.case.place == name), "")
    return PairingPlace(name, size, not bored, frozenset(fits), own)


def may_lie_in(verdict: PieceVerdict, found: PistonSet, where: tuple[str, str], engine: Engine) -> bool:
    """Whether a piece may lie in a place at all.

    Takes:   the place and its bank ("" where there is only one).
    Rule:    sets.forbidden: hand and bank, valve pockets, pin offset; a rod still on it; a used piston back in its
             own bore where the house keeps it so.   Source: docs/trade: Pairing pistons and bores, common practice.
    """
    (place, bank), case = where, verdict.case
    part = case.piece.part
    came_from = "" if part.spare else part.id
    made_for = case.answer(MADE_FOR)
    if made_for is None and case.limits.made.get("handed") == "differ" and came_from:
        cylinder = int(came_from.removeprefix("piston-"))
        made_for = {"left": LEFT, "right": RIGHT}.get(bank_of(engine.layout, cylinder))
    if made_for in (LEFT, RIGHT) and bank and not made_for.startswith(bank):
        return False
    if made_for is None and part.spare and case.limits.made.get("handed") == "differ":
        return False
    lies_here = case.place == place
    if case.answer(ROD) == STILL_ON and not lies_here:
        return False
    return part.spare or came_from == place or not found.house.pistons_keep


def _candidate(verdict: PieceVerdict) -> Candidate:
    weight = verdict.case.read(WEIGHT)
    mass = None
    if weight is not None:
        state = next(state for state in weight.spots if state.size is not None)
        mass = state.size.nm if state.size is not None else None
    skirt = verdict.case.piece[SKIRT]
    return Candidate(verdict.case.piece.part.id, next(iter(skirt.sizes.values())), mass)


def notes_of(found: PistonSet) -> dict[str, tuple[Note, ...]]:
    """What the set says of single pieces: one bad or all, another bore.

    Rule:    pistons.one-or-all, sets.pairing.   Source: docs/trade: Measuring a piston, common practice.
    """
    notes: dict[str, list[Note]] = {name: [] for name in found.verdicts}
    by_eye = [v for v in found.placed.values() if v.judged.by_eye is Action.REPLACE]
    if len(by_eye) == 1 and len(found.placed) > 1:
        only = by_eye[0].case
        notes[only.piece.part.id].append(Note("one", (only.place.removeprefix("piston-"),)))
    elif by_eye and len(by_eye) == len(found.placed) > 1:
        for verdict in by_eye:
            notes[verdict.case.piece.part.id].append(Note("all"))
    for place, pair in found.pair_of.items():
        verdict = found.verdicts[pair.piece]
        if verdict.case.place not in ("", place):
            key = "moved" if _better(found, verdict, pair) else "moved for the set"
            notes[pair.piece].append(Note(key, (place.removeprefix("piston-"), pair.clearance)))
    for piece, verdict in found.verdicts.items():
        if verdict.action is Action.MOVE and found.action_of(piece) is Action.MEASURE:
            notes[piece].append(Note("tight here"))
    return {name: tuple(said) for name, said in notes.items() if said}


def _better(found: PistonSet, verdict: PieceVerdict, pair: Pair) -> bool:
    """Whether a piece comes nearer to the clearance aimed at in the bore it goes to than where it lies."""
    own = verdict.finding(LEAST.key)
    if own is None or found.limits is None:
        return False
    return abs(pair.clearance - found.limits.target) < abs(own.value - found.limits.target)
