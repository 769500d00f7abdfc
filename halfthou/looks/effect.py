"""What an answer does to the part it was given of."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import Enum

from halfthou.jobs import OperationKind, Seen


class Does(Enum):
    """What an answer can do. The eye may reject; only a figure accepts.

    Rule:    pieces.eye-rejects.
    """

    #: It is not used again.
    REJECTS = "rejects"
    #: It waits for somebody else's word, before any work.
    REFERS = "refers"
    #: It goes back only after a work, or with a part of it renewed.
    REMEDY = "remedy"
    #: Something is to be measured before it goes back.
    ASKS = "asks"
    #: It goes neither back nor out until something else is settled.
    HOLDS = "holds"
    #: It may have been hurt by what was found: figures alone do not clear it.
    SUSPECTS = "suspects"
    #: Something is said and nothing waits for it.
    ADVISES = "advises"
    #: It is kept: a claim, a kind, something still to be done, or what only the evidence reads.
    RECORDS = "records"
    #: It is as it should be.
    GOOD = "good"
    #: It is left as it is, and why.
    HARMLESS = "harmless"


#: What lets a part not go back as it is: an answer that does one of these is a fault.
KEEPS_BACK = frozenset({Does.REJECTS, Does.REFERS, Does.REMEDY, Does.ASKS, Does.HOLDS, Does.SUSPECTS})


@dataclass(frozen=True, slots=True)
class Effect:
    """One thing that an answer does.

    `words` is the sentence said of it, {0} the answer. `on` is what it comes to: the action where it rejects or has
    a remedy, what is to be measured where it asks. `of` are the kinds of part it does this to, all where none is
    named. `when` and `unless` name what the house rules or the sheet say, as "gears sold: yes". `until` are the
    looks and answers that end it, all of them together. `mended_by` is the work that ends it by itself, as other
    half bearings do what was seen of the old ones.
    """

    does: Does
    rule: str = "looks.holds"
    words: str = ""
    on: str = ""
    of: tuple[str, ...] = ()
    when: str = ""
    unless: str = ""
    until: tuple[tuple[str, str], ...] = ()
    mended_by: tuple[OperationKind, ...] = ()

    def stands(self, kind: str, said: frozenset[str], seen: Mapping[str, Seen]) -> bool:
        """Whether it is done to a part of a kind, by what house and sheet say, what figures have proven and what
        else was seen of it."""
        if (self.of and kind not in self.of) or (self.when and self.when not in said) or self.unless in said:
            return False
        ended = bool(self.until) and all(
            f"{look}: {answer}" in said or ((found := seen.get(look)) is not None and found.answer == answer)
            for look, answer in self.until
        )
        return not ended
