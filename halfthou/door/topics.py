"""What is asked of an engine at the door. Most answers are one key. Source: docs/trade: At the door."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from halfthou.jobs import ComplaintKind, Document, Key, Words


class Topic(Document):
    """One question at the door.

    `answers` are those of one key; `free` says that words of one's own may be given, beside them or alone.
    `several` says that more than one answer stands at a time; `claim` that what is said is a claim until somebody
    here has seen or measured it; `source` that it is asked who says so, or by what. `hint` shows what to write.
    """

    key: Key
    group: Words
    question: Words
    answers: tuple[Words, ...] = ()
    free: bool = False
    several: bool = False
    claim: bool = False
    source: str = ""
    hint: Annotated[str, Field(max_length=200)] = ""


COMPLAINT, HOURS, TURNS = "complaint kind", "hours", "turns by hand"
BLOCK, INSIDE = "block says", "inside is"
SAMPLE, AVAILABLE, BUDGET, SIGNED_FOR = "oil sample", "to be had", "budget", "customer signed"
CARRIED, EARLIER, MISSING = "carried over", "earlier hands", "missing"
SINCE_BUILT, RENEWED = "since built", "renewed"
#: Answers to "turns by hand" after which no starter is given to it.
NOT_FREE = ("locked", "tight at one place", "not tried")
DRAWN = "drawn, at the lab"
_HAPPENED, _CLAIMED, _CAME, _IS, _MONEY = (
    "What happened", "What is claimed", "How it came", "What it is", "Before money is spent",
)  # fmt: skip

TOPICS: tuple[Topic, ...] = (
    Topic(key=COMPLAINT, group=_HAPPENED, question="The complaint falls under", several=True,
          answers=tuple(kind.value for kind in ComplaintKind)),
    Topic(key=HOURS, group=_HAPPENED, question="Hours or distance", free=True, several=True, source="who says so",
          hint="4,200 h"),
    Topic(key="service before", group=_HAPPENED, question="Service just before it failed", several=True, free=True,
          answers=("oil and filter", "head work", "cooling work", "injection work", "none", "not known")),
    Topic(key=TURNS, group=_HAPPENED, question="Turns by hand",
          answers=("free", "tight all round", "tight at one place", "locked", "not tried"),
          hint="Before anybody blames the starter."),
    Topic(key="oil on arrival", group=_HAPPENED, question="Oil as it came", several=True,
          answers=("level right", "over", "under", "none", "milky", "smells of fuel", "thick", "glitter",
                   "water under it", "wrong kind", "not looked")),
    Topic(key="known for", group=_CLAIMED, question="What this family of engines is known for", free=True,
          several=True, source="who says so", hint="A reminder to look. It has no weight."),
    Topic(key="last built", group=_CLAIMED, question="Built last, by whom and when", free=True, claim=True,
          several=True, source="who says so"),
    Topic(key="size said", group=_CLAIMED, question="Size said or painted", free=True, claim=True, several=True,
          source="paint, stamp, paper, who", hint="rods 0.010 under"),
    Topic(key=SINCE_BUILT, group=_CLAIMED, question="Run since it was last opened",
          answers=("first start", "few hours", "many hours", "not known")),
    Topic(key=RENEWED, group=_CLAIMED, question="What was renewed", free=True, claim=True, several=True,
          answers=("half bearings", "oil pump", "pistons and rings", "head gasket", "cooler", "nothing"),
          source="who says so"),
    Topic(key="genuine", group=_CLAIMED, question="Parts fitted", claim=True,
          answers=("the maker's", "part maker's", "mixed", "not known")),
    Topic(key=CARRIED, group=_CLAIMED, question="Carried over from an engine before", free=True, several=True,
          answers=("cooler", "turbo", "injectors", "oil pump", "tank and lines", "none", "not known"),
          source="who says so"),
    Topic(key=MISSING, group=_CAME, question="Missing, or already apart", free=True, several=True,
          answers=("complete", "accessories off", "heads off", "pan off", "in boxes")),
    Topic(key=EARLIER, group=_CAME, question="Signs of earlier hands", free=True, several=True,
          answers=("none seen", "foreign sealant", "torque paint", "repaired thread", "mixed bolts", "fresh paint",
                   "part of another maker")),
    Topic(key=BLOCK, group=_IS, question="What the block says it is", free=True, several=True,
          source="casting, stamp or plate"),
    Topic(key=INSIDE, group=_IS, question="What is inside", free=True, several=True, claim=True,
          source="casting, stamp or measured"),
    Topic(key=SAMPLE, group=_MONEY, question="Oil sample", free=True,
          answers=("drawn now", DRAWN, "no oil in it", "not wanted"),
          hint="Draw it before coolant or wash gets into it; if not, why not."),
    Topic(key=AVAILABLE, group=_MONEY, question="Shells, pistons, a crank: to be had?", free=True, several=True,
          source="who was asked, when", hint="shells 0.010 to 0.030: yes, 4 days"),
    Topic(key=BUDGET, group=_MONEY, question="Budget", free=True, source="who says so"),
    Topic(key=SIGNED_FOR, group=_MONEY, question="What the customer signed", free=True, several=True,
          answers=("strip and report only", "estimate", "whole work", "nothing yet")),
)  # fmt: skip
BY_KEY = {topic.key: topic for topic in TOPICS}
