"""What a kind of part is, to the rooms below its judgement: where its parts lie, what of them is read, what is seen
of them, and what work makes of that. The kinds themselves stand in halfthou/parts; `assess` hands them down."""

from __future__ import annotations

from collections.abc import Callable, Container, Iterable, Iterator, Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from functools import cached_property, lru_cache

from halfthou.amounts import Quantity
from halfthou.engines.feature import FeatureKind
from halfthou.engines.place import Place, merged
from halfthou.engines.places import placed
from halfthou.jobs import ENGINE, Job, Layout, OperationKind, Piece, Plan, Seen, SetLimits
from halfthou.lengths import Notation
from halfthou.looks import ENGINE_LOOKS, AllLooks, LookKind


class StationDrawing(StrEnum):
    """The drawings of an engine that are the menu of a station."""

    CRANK = "crank"
    BLOCK = "block"
    PISTONS = "pistons"
    PUMP = "pump"
    ROW = "row"
    SHAFT_LINE = "shaft line"


@dataclass(frozen=True, slots=True)
class SheetFigure:
    """A figure that the limits sheet asks of a set: its key, what it is called, whether it is a band, whether the
    parts cannot be judged without it, and what quantity it is of. `asked_of` is another set that it is asked of
    instead, where the sheet speaks of that; `of_set` the one set of its kind it is of, "" where of each."""

    key: str
    label: str
    is_band: bool = False
    needed: bool = False
    quantity: Quantity = Quantity.LENGTH
    asked_of: str = ""
    of_set: str = ""


@dataclass(frozen=True, slots=True)
class SheetMade:
    """Something a set is made of, as the sheet asks it: one of these answers, an angle in degrees, or in free
    words."""

    key: str
    label: str
    answers: tuple[str, ...] = ()
    free: bool = False


@dataclass(frozen=True, slots=True)
class Stepped:
    """How the parts of a kind are taken to another size: by which work, and in which words: what the step is
    called, what is done to reach it, what it was taken to, what is bought with it, and the page for the machine,
    where there is one."""

    work: OperationKind
    step: str
    reach: str
    taken_to: str
    bought: str
    card: str = ""


def _no_spare(_name: str) -> Place | None:
    return None


@dataclass(frozen=True, eq=False)
class PartKind:
    """A kind of part as the lower rooms know it.

    `station` is the drawing it is found on, `wholes` the names by which all its parts are spoken of together
    (crank, block). `stale_after` are the features that work makes stale, `look_again` the looks."""

    key: str
    name: str
    station: str
    station_drawing: StationDrawing
    parts: Callable[[Layout], tuple[Place, ...]]
    features: tuple[FeatureKind, ...]
    #: The sets its parts are decided in, and what each is called; none where another kind decides them.
    sets: Mapping[str, str] = field(default_factory=dict)
    wholes: tuple[str, ...] = ()
    looks: tuple[LookKind, ...] = ()
    #: So many of its looks stand open at the bench, the rest folded; all where it is nothing.
    looks_open: int = 0
    #: The looks without which none of its parts goes back.
    first_looks: tuple[str, ...] = ()
    #: The looks wanted beside them once such work was done.
    looks_after: Mapping[OperationKind, tuple[str, ...]] = field(default_factory=dict)
    stale_after: Mapping[OperationKind, tuple[str, ...]] = field(default_factory=dict)
    look_again: Mapping[OperationKind, tuple[str, ...]] = field(default_factory=dict)
    #: What the limits sheet asks of each of its sets, and what its steps are called ("" where it has none).
    figures: tuple[SheetFigure, ...] = ()
    made: tuple[SheetMade, ...] = ()
    steps: str = ""
    #: How its parts are taken to another size; None where they are not.
    stepped: Stepped | None = None
    #: Whether rings are bought with each step, as with a piston.
    step_rings: bool = False
    #: Measuring plans offered, the usual one first, and what to say beside them.
    plans: tuple[tuple[str, Plan], ...] = ()
    plan_hint: str = ""
    #: What has to be judged before one of its parts goes back, by the sheet: a limit for it is asked for.
    needed: Callable[[SetLimits], tuple[str, ...]] = lambda _limits: ()
    #: Whether a feature is one of such a part at all, by what the sheet says it is: a vane has no rotor tip.
    has: Callable[[SetLimits, str], bool] = lambda _limits, _feature: True
    #: What a person may decide otherwise for a set, in the words of the actions.
    actions: tuple[str, ...] = ()
    #: What does not hang together in the limits of a set, in words.
    check: Callable[[SetLimits], tuple[str, ...]] = lambda _limits: ()
    #: What is odd in the limits of a set and worth a second look, by the figure it is about.
    #: Nothing is forbidden.
    questions: Callable[[SetLimits, Notation], tuple[tuple[str, str], ...]] = lambda _limits, _say: ()
    #: What each work is done to, where a choice is offered: sets and wholes.
    done_to: Mapping[OperationKind, tuple[str, ...]] = field(default_factory=dict)
    #: A piece of it that did not come in the engine, by its own name; None where there are none.
    spare: Callable[[str], Place | None] = _no_spare
    #: Whether a piece goes into a place of its kind, by their names; a ring goes into its own groove only.
    goes_into: Callable[[str, str], bool] = lambda _piece, _place: True
    #: The names of the pieces of its kind that are brought in together, numbered.
    piece_names: Callable[[int], tuple[str, ...]] = lambda _number: ()

    @property
    def loose(self) -> bool:
        """Whether its parts are loose pieces: bought, fitted and moved, each with readings of its own."""
        return self.spare is not _no_spare

    def without_limit(self, limits: SetLimits, read: Container[str]) -> tuple[FeatureKind, ...]:
        """What of a part is read, or has to be judged, and has no limit on the sheet.

        Rule:    verdicts.no-limit.
        """
        needed = self.needed(limits)
        return tuple(
            one for one in self.features if (one.key in read or one.key in needed) and not self._judges(limits, one)
        )

    def not_judged(self, limits: SetLimits) -> tuple[FeatureKind, ...]:
        """What could be read of such a part and need not be, because the sheet has no limit for it."""
        needed = self.needed(limits)
        return tuple(
            one
            for one in self.features
            if one.key not in needed and self.has(limits, one.key) and not self._judges(limits, one)
        )

    def _judges(self, limits: SetLimits, one: FeatureKind) -> bool:
        own = not one.judged_by or any(key in limits.figures for key in one.judged_by)
        return bool(one.kept_as) or (own and self.has(limits, one.key))

    def unseen(self, seen: Mapping[str, Seen], done: Container[OperationKind] = ()) -> tuple[str, ...]:
        """The looks without which a part does not go back, of those that nobody has taken, that work has made
        stale, or whose answer says nothing of the part.

        Takes:   what counts of each look; the work that was done on it.
        Rule:    looks.first, looks.after-work.
        """
        wanted = {
            *self.first_looks,
            *(key for work in self.looks_after if work in done for key in self.looks_after[work]),
        }
        return tuple(
            row.key
            for row in self._wanted
            if row.key in wanted and ((found := seen.get(row.key)) is None or row.answer(found.answer) is None)
        )

    def by_one_key(self, unseen: Container[str]) -> tuple[str, ...]:
        """The looks that one key answers as sound, of those that are wanted: those of eye and nail, no test.

        Rule:    looks.first.
        """
        return tuple(row.key for row in self._wanted if row.key in unseen and row.sound_by_eye)

    @cached_property
    def _wanted(self) -> tuple[LookKind, ...]:
        """The looks that may be wanted before a part goes back, the first before those after work."""
        keys = dict.fromkeys((*self.first_looks, *(key for keys in self.looks_after.values() for key in keys)))
        return tuple(row for key in keys for row in self.looks if row.key == key)

    @cached_property
    def by_key(self) -> dict[str, FeatureKind]:
        """The features by key."""
        return {feature.key: feature for feature in self.features}


class Kinds:
    """The kinds of part that a job is judged by, in the order of the work."""

    def __init__(self, kinds: tuple[PartKind, ...], beside: Iterable[LookKind] = ENGINE_LOOKS) -> None:
        """Takes the looks `beside` those that the kinds bring: at what is not measured. Refuses: LookTwice."""
        self.all = kinds
        self._by_key = {kind.key: kind for kind in kinds}
        self.looks = AllLooks([*(look for kind in kinds for look in kind.looks), *beside])

    def __getitem__(self, key: str) -> PartKind:
        return self._by_key[key]

    @lru_cache(maxsize=128)  # noqa: B019 - the kinds live as long as the program
    def parts(self, layout: Layout) -> dict[str, Place]:
        """Every part of an engine by its id, in the order of the work."""
        return {part.id: part for kind in self.all for part in kind.parts(layout)}

    @lru_cache(maxsize=128)  # noqa: B019 - the kinds live as long as the program
    def places(self, layout: Layout) -> dict[str, Place]:
        """Everything that has a place in an engine, by its id: what comes off in the strip first, in the order of
        the engine; then what is measured and stays.

        Rule:    strip.places: parts are known by their place, not by the order they came out in.
        """
        return merged(placed(layout), self.parts(layout))

    @lru_cache(maxsize=128)  # noqa: B019 - the kinds live as long as the program
    def engine(self, layout: Layout, pieces: tuple[Piece, ...] = ()) -> Engine:
        """One engine's parts, and the pieces that did not come in it."""
        return Engine(self, layout, pieces)

    def engine_of(self, job: Job) -> Engine:
        """The engine of a job, with the pieces that were brought to it."""
        return self.engine(job.limits.layout, job.pieces_here)

    def spares(self, pieces: tuple[Piece, ...]) -> dict[str, Place]:
        """The pieces that did not come in the engine, as parts by their own names."""
        found = (self._by_key[one.kind].spare(one.part) for one in pieces if one.kind in self._by_key)
        return {part.id: part for part in found if part is not None}

    def of(self, part: Place) -> PartKind:
        """The kind of a part."""
        return self._by_key[part.kind]

    def feature(self, part: Place, key: str) -> FeatureKind | None:
        """A feature of a part; None where the part has no such thing: a main has no stroke."""
        found = self._by_key[part.kind].by_key.get(key)
        return None if found is not None and found.of_sets and part.set not in found.of_sets else found

    def kind_of_set(self, one: str, layout: Layout) -> PartKind:
        """The kind whose parts are decided in a set. Refuses: StopIteration where the engine has no such set."""
        return next(kind for kind in self.all if one in kind.sets and one in self.sets(layout))

    def sets(self, layout: Layout) -> tuple[str, ...]:
        """The sets of an engine, in the order of the work."""
        here = {part.set for part in self.parts(layout).values()}
        return tuple(one for kind in self.all for one in kind.sets if one in here)

    def set_name(self, one: str) -> str:
        """What a set is called."""
        return next((kind.sets[one] for kind in self.all if one in kind.sets), one)

    @cached_property
    def stale_after(self) -> dict[tuple[str, OperationKind], frozenset[str]]:
        """By kind of part and of work: the features it makes stale."""
        return {(k.key, work): frozenset(features) for k in self.all for work, features in k.stale_after.items()}

    @cached_property
    def done_to(self) -> dict[OperationKind, tuple[str, ...]]:
        """What each work is done to, over all kinds."""
        found: dict[OperationKind, tuple[str, ...]] = {}
        for kind in self.all:
            for work, on in kind.done_to.items():
                found[work] = tuple(dict.fromkeys((*found.get(work, ()), *on)))
        return found


@dataclass(frozen=True)
class Engine:
    """One engine's parts, by its layout and the kinds there are."""

    kinds: Kinds
    layout: Layout
    pieces: tuple[Piece, ...] = ()

    @cached_property
    def parts(self) -> dict[str, Place]:
        """Every part by its id, in the order of the work; what did not come in the engine stands last."""
        return {**self.kinds.parts(self.layout), **self.kinds.spares(self.pieces)}

    @cached_property
    def places(self) -> dict[str, Place]:
        """Everything that has a place in it, by id, and the pieces that did not come in it."""
        return {**self.kinds.places(self.layout), **self.kinds.spares(self.pieces)}

    @cached_property
    def spoken_of(self) -> frozenset[str]:
        """Everything a look or work may be of: parts, sets, and wholes."""
        wholes = {whole for kind in self.kinds.all for whole in kind.wholes}
        return frozenset({*self.parts, *(part.set for part in self.parts.values()), *wholes})

    def kind(self, part: str) -> PartKind:
        """The kind of a part by its id. Refuses: KeyError where the engine has none."""
        return self.kinds.of(self.parts[part])

    def feature(self, part: str, key: str) -> FeatureKind:
        """A feature of a part. Refuses: KeyError where there is none."""
        return self.kind(part).by_key[key]

    @cached_property
    def kind_of_set(self) -> dict[str, PartKind]:
        """The kind whose parts are decided in each set."""
        return {one: self.kinds.kind_of_set(one, self.layout) for one in self.kinds.sets(self.layout)}

    def of_set(self, one: str) -> tuple[str, ...]:
        """The parts that are decided in a set by the places of the engine; what lies beside them is left out."""
        own = self.parts.values()
        return tuple(part.id for part in own if part.set == one and not part.beside and not part.spare)

    def goes_into(self, piece: str) -> tuple[str, ...]:
        """The places that a loose piece goes into. Refuses: KeyError where there is no such piece.

        Rule:    pieces.places.
        """
        kind = self.kind(piece)
        came = self.kinds.parts(self.layout).values()
        return tuple(place.id for place in came if place.kind == kind.key and kind.goes_into(piece, place.id))

    def next_pieces(self, kind: PartKind) -> tuple[str, ...]:
        """The next free names for pieces of a kind that are brought in together; none where it has no loose
        ones."""
        for number in range(1, len(self.pieces) + 2):
            names = kind.piece_names(number)
            if not any(name in self.parts for name in names):
                return names
        return ()

    def may_be_seen(self, on: str) -> bool:
        """Whether something may be seen on it: a place, a piece, a set, a whole, or the engine."""
        return on == ENGINE or on in self.places or on in self.spoken_of

    def look(self, key: str, on: str) -> LookKind | None:
        """A look by its key, where it is taken on that part, set or whole; None where it is not."""
        look = self.kinds.looks.get(key)
        place = self.places.get(on)
        there = look is not None and (on in look.on or (place is not None and place.kind in look.on))
        return look if there else None

    def called(self, on: str) -> str:
        """What a place, a set or a whole is called in a sentence."""
        place = self.places.get(on)
        return place.short if place is not None else on.capitalize()

    def named(self, on: str) -> str:
        """What a place, a set or a whole is called in full."""
        place = self.places.get(on)
        return place.name if place is not None else on.capitalize()

    def short(self, on: str) -> str:
        """What a place is called in short; a set or a whole by its own name."""
        place = self.places.get(on)
        return place.short if place is not None else on

    def lies_with(self, on: str) -> str:
        """The part that something lies with, itself where it lies with none: a half bearing lies with its
        journal."""
        place = self.places.get(on)
        return place.beside if place is not None and place.beside and on not in self.parts else on

    def lying_alike(self, on: str) -> tuple[str, ...]:
        """What is of a place's kind and lies with the same part, itself among them."""
        place = self.places[on]
        return self._lying[place.kind, place.beside]

    @cached_property
    def _lying(self) -> dict[tuple[str, str], tuple[str, ...]]:
        found: dict[tuple[str, str], list[str]] = {}
        for one in self.places.values():
            found.setdefault((one.kind, one.beside), []).append(one.id)
        return {of: tuple(ids) for of, ids in found.items()}

    def way_of(self, on: str) -> str:
        """Which way from standard a size of a part or set goes: under for a shaft, over for a hole."""
        touched = self.touched(on)
        first = next((part for part in self.parts if part in touched), None)
        return "over" if first is not None and self.kind(first).features[0].hole else "under"

    def touched(self, on: str) -> frozenset[str]:
        """The parts that something done or seen on a part, a set or a whole is done to."""
        known = self._touched.get(on)
        if known is None:
            known = self._touched[on] = frozenset(self._find_touched(on))
        return known

    @cached_property
    def _touched(self) -> dict[str, frozenset[str]]:
        return {}

    def _find_touched(self, on: str) -> Iterator[str]:
        for part in self.parts.values():
            under = self.parts.get(part.rests_on)
            resting = (under.id, under.set) if under is not None else ()
            if on in (part.id, part.set, part.beside, *self.kinds.of(part).wholes, *resting):
                yield part.id
