"""Every rule that an assessment cites: its lasting id, its name and its source. Explained in docs/rules."""

from typing import NamedTuple


class Rule(NamedTuple):
    """A rule of the trade as this program applies it."""

    name: str
    source: str


RULES: dict[str, Rule] = {
    "surveys.size.least": Rule("Size found is the least", "common practice, no source"),
    "surveys.form.out-of-round": Rule(
        "Out-of-round, two-point and fitted", "geometry: an ellipse by least squares"
    ),
    "surveys.form.taper": Rule("Taper between the end planes", "common practice, no source"),
    "surveys.form.barrel": Rule("Barrel or hourglass", "common practice, no source"),
    "surveys.plan.whole": Rule("A journal is judged when its plan is read", "common practice, no source"),
    "surveys.present-undersize": Rule("A crank starts from its present size", "common practice, no source"),
    "verdicts.guard-band": Rule("Too close to call", "ISO 14253-1, recalled; JCGM 106:2012, clause 7, recalled"),
    "verdicts.two-angles": Rule("Two angles may reject, never accept", "geometry"),
    "verdicts.rule-of-thumb": Rule("A rule of thumb settles nothing", "common practice: the maker's limit wins"),
    "verdicts.journal.surface": Rule("The nail test", "common practice, no source"),
    "verdicts.journal.heat": Rule("A journal that got hot", "common practice; temper colours from memory"),
    "verdicts.journal.crack": Rule("A crack ends it", "common practice, no source"),
    "verdicts.journal.fillet": Rule("A sharp fillet starts a crack", "common practice, no source"),
    "verdicts.journal.turned-shell": Rule("A shell that turned: measure the housing", "common practice, no source"),
    "verdicts.journal.claimed-size": Rule("A painted size is a claim", "common practice, no source"),
    "verdicts.journal.polish-shell": Rule("A polish undersize shell", "common practice, no source"),
    "verdicts.clean-up": Rule("What a journal cleans up at", "geometry: maximum inscribed circle"),
    "sets.regrind.common-size": Rule("One size for the whole set", "common practice, no source"),
    "sets.regrind.sure-size": Rule("The sure end decides the size", "common practice, no source"),
    "sets.regrind.shells-exist": Rule("A size without shells does not exist", "common practice, no source"),
    "sets.regrind.smallest-allowed": Rule("Not below the maker's smallest size", "the maker's limit"),
    "sets.regrind.last-size": Rule("Past the last size", "common practice, no source"),
    "sets.regrind.hardened": Rule(
        "A hardened crank is never silently ground", "house rule; case depth from memory"
    ),
    "sets.regrind.grinder-band": Rule("What the grinder must hit", "common practice, no source"),
    "sets.not-all-read": Rule("A set is decided when all of it is read", "common practice, no source"),
    "sets.clearance": Rule("Oil clearance by subtraction", "subtraction; caps torqued, crush not counted"),
    "sets.shells-to-order": Rule("Shells to order", "common practice, no source"),
}
