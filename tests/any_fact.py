"""A fact of any kind, made by what its document says of its fields: a new kind is made as it stands."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from enum import Enum
from random import Random
from types import NoneType, UnionType
from typing import Annotated, Any, Union, get_args, get_origin

from annotated_types import Ge, MinLen
from pydantic import BaseModel

from halfthou.jobs import Fact
from halfthou.lengths import Length

#: Texts that a field may hold where nothing else is known of it.
WORDS = ("metal", "locked", "found", "clear", "6,210 h", "Other 6", "drawn, at the lab", "2", "pan", "tray 1")


def made_by_its_fields(
    document: type[Fact], stamp: Mapping[str, Any], names: Mapping[str, Sequence[Any]], chance: Random
) -> Fact:
    """A fact of a kind: stamped with its name, hand and time; a field as `names` knows it, else as its type allows.

    Names joined by a plus, as `look+answer`, are of fields that belong together.
    """
    values = dict(stamp)
    for joined in (name.split("+") for name in names if "+" in name):
        if set(joined) <= set(document.model_fields) and chance.random() < 0.8:
            values |= dict(zip(joined, chance.choice(names["+".join(joined)]), strict=True))
    for name, field in document.model_fields.items():
        if name in values:
            continue
        if not field.is_required() and chance.random() < 0.5:
            continue
        known = names.get(name)
        suits = [one for one in known or () if _suits(one, field.annotation)]
        values[name] = chance.choice(suits) if suits else _made(field.annotation, field.metadata, chance)
    return document(**values)


def _suits(value: Any, kind: Any) -> bool:
    """Whether a value could stand where a type is asked for."""
    if get_origin(kind) in (Union, UnionType):
        return any(_suits(value, one) for one in get_args(kind))
    if get_origin(kind) is Annotated:
        return _suits(value, get_args(kind)[0])
    plain = get_origin(kind) or kind
    return isinstance(plain, type) and isinstance(value, plain)


def _made(kind: Any, metadata: Sequence[Any], chance: Random) -> Any:
    if get_origin(kind) is Annotated:
        first, *more = get_args(kind)
        return _made(first, [*metadata, *more], chance)
    if get_origin(kind) in (Union, UnionType):
        return _made(chance.choice([one for one in get_args(kind) if one is not NoneType]), metadata, chance)
    if get_origin(kind) is tuple:
        inner = get_args(kind)
        if inner[-1] is not Ellipsis:
            return tuple(_made(one, (), chance) for one in inner)
        least = max((one.min_length for one in metadata if isinstance(one, MinLen)), default=0)
        return tuple(_made(inner[0], (), chance) for _ in range(least or chance.randrange(2)))
    if get_origin(kind) is dict:
        return {}
    if issubclass(kind, Enum):
        return chance.choice(list(kind))
    if issubclass(kind, Length):
        return Length(chance.choice((2_540, 254_000, 57_150_000)))
    if issubclass(kind, BaseModel):
        return kind(**{n: _made(f.annotation, f.metadata, chance) for n, f in kind.model_fields.items()})
    if kind is bool:
        return chance.random() < 0.5
    if kind in (int, float):
        least = max((int(str(one.ge)) for one in metadata if isinstance(one, Ge)), default=0)
        return kind(max(least, chance.choice((1, 5, 20))))
    return _text(metadata, chance)


def _text(metadata: Sequence[Any], chance: Random) -> str:
    """A text; where it has to be a hash or a name of letters only, one of those."""
    patterns = " ".join(str(getattr(one, "pattern", "")) for one in metadata)
    if "64" in patterns and "f" in patterns:
        return f"{chance.randrange(16**8):08x}" * 8
    return chance.choice(WORDS)
