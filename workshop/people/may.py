"""Who may do what. The one place."""

from enum import StrEnum

from workshop.people.models import Person, Role
from workshop.people.refusals import NotAllowed


class Act(StrEnum):
    """An act that needs a right."""

    READ = "read and look"
    BOOK_IN = "book an engine in"
    CORRECT_ANY = "correct another person's reading"
    DRAFT_LIMITS = "draft a limits sheet"
    DECIDE = "decide and sign"
    KEEP_GAUGES = "keep the gauge list"
    CONFIRM_LIMITS = "confirm a limits sheet"
    WITHDRAW_SIGNATURE = "withdraw a signature"
    SET_PORTS = "set a gauge's data port"
    KEEP_ACCOUNTS = "keep accounts"
    KEEP_HOUSE_RULES = "keep the house rules"


_BENCH = {Act.READ, Act.BOOK_IN}
_MACHINIST = _BENCH | {Act.CORRECT_ANY, Act.DRAFT_LIMITS, Act.DECIDE, Act.KEEP_GAUGES}
RIGHTS: dict[str, set[Act]] = {Role.BENCH: _BENCH, Role.MACHINIST: _MACHINIST, Role.OWNER: set(Act)}


def rights_of(person: Person) -> list[Act]:
    """The acts a person may do, in the order of the list above."""
    return [act for act in Act if act in RIGHTS[person.role]]


def must(person: Person, act: Act) -> None:
    """Refuse unless the person may. Refuses: NotAllowed, naming who may."""
    if act in RIGHTS[person.role]:
        return
    who = next(role for role in (Role.MACHINIST, Role.OWNER) if act in RIGHTS[role])
    article = "an" if who is Role.OWNER else "a"
    raise NotAllowed("not-allowed", f"Only {article} {who} may {act.value}. Ask one to, or change person.")
