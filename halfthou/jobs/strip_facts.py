"""Facts from the strip: steps done, marks, where a part lies, what was taken off for access, fasteners, fragments;
and the engine handed over."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field
from typing_extensions import override

from halfthou.jobs.document import FactId, Note, Words
from halfthou.jobs.fact import Fact, Names
from halfthou.jobs.facts import PartName
from halfthou.lengths import Length

#: A step of the strip list, by its lasting name: `cap-rod-3.off`.
StepName = Annotated[str, Field(min_length=1, max_length=60, pattern=r"^[a-z][a-z0-9.-]*$")]


class Felt(StrEnum):
    """What was felt at a step. Each is one key."""

    FORCE = "force needed"
    STUCK = "came away stuck"
    STEPPED = "step at the joint"


class StepDone(Fact):
    """A step of the strip that is done, or that this engine does not have (`there` false).

    `unseen` says that it was done although a look it destroys had not been taken, `because` why it was done all the
    same: unseen, or with a cover still on. `off_already` says that it came so: nobody here did it.
    """

    step: StepName
    there: bool = True
    felt: Annotated[tuple[Felt, ...], Field(max_length=3)] = ()
    unseen: bool = False
    because: Note = ""
    off_already: bool = False
    note: Note = ""

    @property
    def worked(self) -> bool:
        """Whether somebody here did it."""
        return self.there and not self.off_already

    @override
    def said(self, names: Names) -> str:
        felt = f", {', '.join(one.value for one in self.felt)}" if self.felt else ""
        how = ": it was off already" if self.off_already else "" if self.there else ": not on this engine"
        unseen = ", not looked at first" if self.unseen else ""
        because = f", done all the same: {self.because}" if self.because else ""
        return f"{names.step(self.step)}{how}{felt}{unseen}{because}"


#: The mark of a part that bears none.
BARE = "none"


class Marking(Fact):
    """The mark of a part, by its position in the engine: `found` on it, or given to it here. `mark` is what stands
    there, `none` where nothing does; `side` is where on the part."""

    part: PartName
    mark: Annotated[str, Field(min_length=1, max_length=24)]
    found: bool
    side: Note = ""

    @override
    def said(self, names: Names) -> str:
        mark = "no mark" if self.mark == BARE else self.mark
        return f"{names.called(self.part)} {'bears' if self.found else 'was given'} {mark}"


class Laying(Fact):
    """Where a part lies that was taken off: a bag, a pocket of a tray. One pocket holds one part."""

    part: PartName
    pocket: Annotated[str, Field(min_length=1, max_length=60)]

    @override
    def said(self, names: Names) -> str:
        return f"{names.called(self.part)} lies in {self.pocket}"


class Removal(Fact):
    """Something taken out for access. It goes back, or is renewed, before the engine leaves."""

    what: Words
    place: Words

    @override
    def said(self, names: Names) -> str:
        return f"taken out for access: {self.what}, {self.place}"


class FastenerKind(StrEnum):
    """How often a fastener may be used."""

    ONE_USE = "one use"
    REUSABLE = "reusable"
    STRETCH = "stretch bolt"


class FastenerState(StrEnum):
    """How a fastener was found."""

    RIGHT = "right"
    BROKEN = "broken"
    WRONG_LENGTH = "wrong length"
    DAMAGED = "thread or shank damaged"
    HOLE_EMPTY = "hole found empty"


class FastenerSeen(Fact):
    """A fastener, or a group alike, by its place. `uses` counts how often it was tightened, as far as known;
    `new_length` and `length` are its free length new and now, read with `gauge`."""

    place: Words
    kind: FastenerKind = FastenerKind.REUSABLE
    state: FastenerState = FastenerState.RIGHT
    count: Annotated[int, Field(strict=True, ge=1, le=200)] = 1
    uses: Annotated[int, Field(strict=True, ge=0, le=100)] | None = None
    new_length: Length | None = None
    length: Length | None = None
    gauge: FactId | None = None
    note: Note = ""

    @override
    def said(self, names: Names) -> str:
        return f"fastener, {self.place}: {self.state.value}"


class Fragment(Fact):
    """A loose piece found in the engine. It stays open until it is known where it came from."""

    place: Words
    what: Words
    magnetic: bool | None = None

    @override
    def said(self, names: Names) -> str:
        return f"found loose: {self.what}, {self.place}"


class Closed(StrEnum):
    """How something that stood open was closed."""

    BACK = "back in its place"
    RENEWED = "renewed"
    LOOSE = "goes along loose"
    KNOWN = "known where it came from"


class Closing(Fact):
    """Something that stood open is closed: what was taken out is back, a hole has its bolt, a fragment is known."""

    of: FactId
    how: Closed
    words: Note = ""

    @override
    def said(self, names: Names) -> str:
        return f"closed: {self.how.value}{f', {self.words}' if self.words else ''}"


class HandOver(Fact):
    """The engine has left the shop. `words` say what left with it unsettled, as a fragment nobody could place."""

    to: Words
    words: Note = ""

    @override
    def said(self, names: Names) -> str:
        return f"handed over to {self.to}{f': {self.words}' if self.words else ''}"
