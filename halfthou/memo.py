"""What was worked out before, kept for the next time: facts never change, so what something was worked out from is
its fingerprint."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from functools import cached_property
from types import FunctionType
from typing import Any, ParamSpec, TypeVar, TypeVarTuple, cast

Made = TypeVar("Made")
Given = TypeVarTuple("Given")
Read = TypeVar("Read")
P = ParamSpec("P")


class Memo:
    """The last answer to each question of one job, with what it was worked out from.

    An answer is given again only where all that it is worked out from is equal to what it was before; so with a
    memo or without, the same comes out. Only what depends on its arguments alone may be asked. Two threads may
    share one: at worst both work the same out.
    """

    def __init__(self) -> None:
        self._kept: dict[Hashable, tuple[tuple[object, ...], object]] = {}
        self._read: dict[Hashable, tuple[_Notes, tuple[object, ...], object]] = {}

    def of(self, what: Hashable, work_out: Callable[[*Given], Made], *given: *Given) -> Made:
        """`work_out(*given)`, the answer to `what`: as kept, where it was given the same; else worked out and kept.

        >>> memo, calls = Memo(), []
        >>> [memo.of("double", lambda n: calls.append(n) or 2 * n, n) for n in (1, 1, 2)], calls
        ([2, 2, 4], [1, 2])
        """
        kept = self._kept.get(what)
        made = cast(Made, kept[1]) if kept is not None and kept[0] == given else work_out(*given)
        # The newest are kept also where they are equal: the same objects are told to be equal at a glance.
        self._kept[what] = given, made
        return made

    def of_what_is_read(
        self, what: Hashable, work_out: Callable[[Read, *Given], Made], document: Read, *given: *Given
    ) -> Made:
        """`work_out(document, *given)`: as kept, where everything it read of the document is as it was.

        What it reads is noted while it works, so no field can be left out of a list. What is made must not hold the
        document: it would be the one that was read first. Reading it afterwards is an AssertionError.

        >>> class Sheet:
        ...     def __init__(self, size, title): self.size, self.title = size, title
        >>> memo, calls = Memo(), []
        >>> doubled = lambda sheet: calls.append(sheet.size) or 2 * sheet.size
        >>> made = [memo.of_what_is_read("double", doubled, Sheet(*it)) for it in ((1, "a"), (1, "b"), (2, "b"))]
        >>> made, calls
        ([2, 2, 4], [1, 2])
        """
        kept = self._read.get(what)
        if kept is not None and kept[1] == given and kept[0].hold_of(document):
            return cast(Made, kept[2])
        notes = _Notes()
        view = _View(document, notes)
        made = work_out(cast(Read, view), *given)
        notes.closed = True
        self._read[what] = notes, given, made
        return made


#: Begins the names of what takes a document as a whole, as copying it: that cannot be noted field by field.
OF_THE_WHOLE = ("model_", "__")


class _Notes:
    """What was read of a document: each field with its value; what the document works out of itself with its value
    and the fields that took."""

    def __init__(self) -> None:
        self.fields: dict[str, object] = {}
        self.worked_out: dict[str, tuple[object, _Notes]] = {}
        self.closed = False

    def hold_of(self, document: object) -> bool:
        """Whether all of it would be read the same of another document."""
        return all(getattr(document, name) == value for name, value in self.fields.items()) and all(
            notes.hold_of(document) or getattr(document, name) == value
            for name, (value, notes) in self.worked_out.items()
        )


class _View:
    """A document that notes what is read of it. Its own methods and properties read by the same view."""

    __slots__ = ("_document", "_notes")

    def __init__(self, document: object, notes: _Notes) -> None:
        object.__setattr__(self, "_document", document)
        object.__setattr__(self, "_notes", notes)

    def __getattribute__(self, name: str) -> Any:
        document: object = object.__getattribute__(self, "_document")
        notes: _Notes = object.__getattribute__(self, "_notes")
        if notes.closed:
            raise AssertionError(f"{name} was read after the answer was made: it would be missing from its notes")
        kind: type = document.__class__
        if name == "__class__":
            return kind
        known = getattr(kind, name, None)
        if isinstance(known, cached_property):
            return _worked_out(document, notes, known, name)
        if isinstance(known, property) and known.fget is not None:
            return known.fget(self)
        if isinstance(known, FunctionType) and not name.startswith(OF_THE_WHOLE):
            return known.__get__(self)
        if name not in notes.fields:
            notes.fields[name] = _field(document, name)
        return notes.fields[name]

    def __setattr__(self, name: str, value: object) -> None:
        raise AttributeError(f"{name}: a document is read here, not written")


def _field(document: object, name: str) -> object:
    if name.startswith(OF_THE_WHOLE):
        raise TypeError(f"{name} takes a document as a whole, which cannot be noted: read its fields")
    return getattr(document, name)


def _worked_out(document: object, notes: _Notes, known: cached_property[Any], name: str) -> Any:
    if name not in notes.worked_out:
        inner = _Notes()
        # By a view of its own, to note what it rests on, also where the document has it at hand already.
        notes.worked_out[name] = known.func(_View(document, inner)), inner
    return notes.worked_out[name][0]
