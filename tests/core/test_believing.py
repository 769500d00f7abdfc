"""What the evidence believes: every cause can be found, what clears lifts nothing, what contradicts settles
nothing, what the door said counts, and each complaint has its usual causes."""

from __future__ import annotations

import pytest

from halfthou.causes import CAUSES, SIGNS, Against, Evidence, SignKind, SignSeen, Strength, Word, weigh_causes
from halfthou.jobs import ComplaintKind, Marking, StepDone
from tests.reading import complains, next_of, read, seen, words_of
from tests.stripping import fact, said

#: A strip that is in use: its next step is no washing.
IN_USE = fact(StepDone, step="stand.photographed")


#: What is asked of the customer, or has no single proof. Source: common practice, no source.
UNPROVED = {"use.cold", "speed.over"}


@pytest.mark.parametrize("key", sorted(set(CAUSES) - UNPROVED))
def test_every_cause_can_be_found(key: str) -> None:
    """Each has a settling sign that can be entered: after such a complaint it proves its cause, with what else has
    it as an effect ruled out."""
    cause = CAUSES[key]
    settling = [
        sign
        for sign, strength in cause.leaves.items()
        if strength is Strength.PROVES and SIGNS[sign].kind is SignKind.SETTLING
    ]
    assert settling, f"{key} has no proof"
    after = frozenset((cause.usual + cause.sometimes)[:1])
    how = SignSeen(("seen",), ("f",))
    makers = [one for one in CAUSES.values() if set(settling) & one.makes.keys() - one.leaves.keys()]
    cleared = [sign for one in makers for sign, kind in one.against.items() if kind is Against.RULES_OUT]
    best = [weigh_causes(Evidence(dict.fromkeys([sign, *cleared], how), {}, after)).words[key] for sign in settling]
    assert Word.PROVED in best, (key, best)


def test_looked_and_nothing_lifts_no_cause_whose_own_sign_it_clears() -> None:
    """Over every cause and every sign that it leaves: the sign looked for and not there never raises it."""
    base = {"rods.all": SignSeen(("seen",), ("f",)), "debris.carbon": SignSeen(("seen",), ("f",))}
    before = weigh_causes(Evidence(base, {}, frozenset()))
    for key, cause in CAUSES.items():
        for sign in cause.leaves:
            if sign not in base:
                after = weigh_causes(Evidence(base, {sign: SignSeen()}, frozenset()))
                assert after.chance[key] <= before.chance[key] + 1e-12, (key, sign)


def test_a_contradiction_vetoes_nothing_and_proves_nothing() -> None:
    """Two marks that disagree beside "every pair agrees": both stay, said, until one of them is settled."""
    marks = [fact(Marking, part=p, mark=m, found=True) for p, m in (("rod-1", "2"), ("cap-rod-1", "3"))]
    agree = seen("every pair", "agree, no step at any")
    both = read(*complains("knock"), *marks, agree, IN_USE)
    assert words_of(both)["rod.cap-mixed"] not in (Word.PROVED, Word.RULED_OUT)
    assert any("cannot both be so" in one.text for one in both.contradictions)
    assert words_of(read(*complains("knock"), *marks, IN_USE))["rod.cap-mixed"] is Word.PROVED
    assert words_of(read(*complains("knock"), agree, IN_USE))["rod.cap-mixed"] is Word.RULED_OUT


def test_what_the_door_said_feeds_causes_and_is_not_asked_again() -> None:
    """Wrong kind and water under it are signs; level, oil, earlier hands, what was carried over are known."""
    facts = (
        *complains("knock"), said("oil on arrival", "wrong kind"), said("oil on arrival", "under"),
        said("earlier hands", "mixed bolts"), said("carried over", "none"), IN_USE,
    )  # fmt: skip
    story = read(*facts)
    assert {"oil.can-wrong", "level.low"} <= story.signs
    assert "carried.over" in story.evidence.not_there
    assert {"level", "oil seen", "earlier hands", "carried over"} <= story.still.taken
    assert not {"level", "oil seen", "carried over"} & {look.key for look in next_of(story)}
    assert "oil.milky" in read(*complains("milky oil"), said("oil on arrival", "water under it")).signs


def test_leaks_alone_name_no_cause() -> None:
    """Common practice, no source: where it drips is found by looking, not by weighing."""
    story = read(*complains("leaks"), IN_USE)
    assert not [one for one in words_of(story).values() if one in (Word.PROVED, Word.LIKELY, Word.POSSIBLE)]


@pytest.mark.parametrize(
    ("kind", "usual"),
    [
        ("overheated", {"gasket.leak", "leak.block"}),
        ("loses coolant", {"gasket.leak", "leak.block"}),
        ("low or no compression", {"wear.old", "rings.stuck"}),
        ("smokes", {"rings.stuck", "guides.worn", "wear.old"}),
        ("noise above", {"cam.followers"}),
        ("pressure too high", {"supply.relief"}),
    ],
)
def test_each_new_complaint_has_its_usual_causes(kind: str, usual: set[str]) -> None:
    """Source: docs/trade: Evidence and cause, judgement; what is not named is rare after these."""
    after = frozenset({ComplaintKind(kind)})
    chances = {key: cause.chance(after) for key, cause in CAUSES.items()}
    assert {key for key, chance in chances.items() if chance == max(chances.values())} == usual
    assert chances["supply.screen"] == min(chances.values())
