"""What is seen of a crank where it is indicated: how it lay, and what it is besides its journals."""

from __future__ import annotations

from halfthou.looks import Answer, Does, Effect, LookKind, good, kept

#: What a look at the whole crank says where it found it true; in a job that judges straightness only figures do.
TRUE = "within the maker's run-out"
SUPPORTS = "supports"
BLOCKS, CENTRES = "end mains", "centres"
SEAL, KEYWAY, THREADS, PILOT = "seal track", "keyway", "threads", "pilot bore"
TRIGGER, WEIGHTS, PLUGS, MAGNETISM = "trigger wheel", "counterweights", "gallery plugs", "magnetism"
#: What is looked for at the nose, at the flange, and of the crank as a whole.
AT_NOSE_LOOKS, AT_FLANGE_LOOKS = (SEAL, KEYWAY, THREADS), (SEAL, THREADS, PILOT, TRIGGER)
OF_CRANK = (WEIGHTS, PLUGS, MAGNETISM)
_PLACE, _RULE = ("run-out",), "straightness.besides"


def _holds(words: str) -> tuple[Effect, ...]:
    return (Effect(Does.HOLDS, _RULE, words, of=_PLACE),)


def _refers(words: str) -> tuple[Effect, ...]:
    return (Effect(Does.REFERS, _RULE, words, of=_PLACE),)


_A = Answer
# Source of what each comes to: docs/trade: What a crank is besides, common practice.
LOOKS = (
    LookKind(SUPPORTS, kept(BLOCKS, CENTRES), ("straightness",), bench=True),
    LookKind(
        SEAL,
        (
            *good("nail runs clear"),
            _A("groove felt", does=_holds("Sleeve the seal's track, or set the seal on a fresh one.")),
        ),
        _PLACE,
        bench=True,
    ),
    LookKind(
        KEYWAY,
        (
            *good("key tight"),
            _A(
                "key loose, slot hammered",
                does=_refers("The slot of the key is hammered: a crack starts at its corner, and timing moves."),
            ),
        ),
        _PLACE,
        bench=True,
    ),
    LookKind(
        THREADS,
        (
            *good("sound"),
            _A("damaged", does=_holds("Mend the thread before it goes back; nothing is forced on it.")),
        ),
        _PLACE,
        bench=True,
    ),
    LookKind(
        PILOT,
        (
            *good("sound"),
            *kept("none there"),
            _A("worn", does=_holds("A new bush or bearing for the gearbox shaft, its bore read first.")),
        ),
        _PLACE,
        bench=True,
    ),
    LookKind(
        TRIGGER,
        (
            *good("sound, tight"),
            *kept("none there"),
            _A(
                "loose or teeth damaged",
                does=_holds("The trigger wheel is mended or renewed, and its place found."),
            ),
        ),
        _PLACE,
        bench=True,
    ),
    LookKind(
        WEIGHTS,
        (
            *good("tight, locked"),
            *kept("none bolted on"),
            _A(
                "loose or missing",
                does=_refers("A counterweight is loose: bolts and torque by the maker, then the balance."),
            ),
        ),
        ("crank",),
        bench=True,
    ),
    LookKind(
        PLUGS,
        (
            *good("out, oilways clean"),
            *kept("none there"),
            _A(
                "still in",
                does=_holds("Plugs out and every oilway washed: what lies behind them goes to new halves."),
            ),
        ),
        ("crank",),
        bench=True,
    ),
    LookKind(
        MAGNETISM,
        (
            *good("not magnetised"),
            _A("magnetised", does=_holds("Demagnetise it: swarf that it holds eats the new half bearings.")),
        ),
        ("crank",),
        bench=True,
        test=True,
    ),
)


def looks_at(main: str, *, nose: bool) -> tuple[str, ...]:
    """What is looked for at a place, the supports first.

    Takes:   its main, "" at nose and flange; whether it is the nose.
    """
    own = () if main else AT_NOSE_LOOKS if nose else AT_FLANGE_LOOKS
    return (SUPPORTS, *own, *OF_CRANK)
