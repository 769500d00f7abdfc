"""Every rule that an assessment cites: its lasting id, its name and its source. Explained in docs/rules."""

from typing import NamedTuple


class Rule(NamedTuple):
    """A rule of the trade as this program applies it."""

    name: str
    source: str


RULES: dict[str, Rule] = {
    "surveys.size.least": Rule("Size found is the least", "design 8.4; common practice"),
    "surveys.form.out-of-round": Rule("Out-of-round, two-point and fitted", "handbook D2; geometry"),
    "surveys.form.taper": Rule("Taper between the end planes", "handbook D2"),
    "surveys.form.barrel": Rule("Barrel or hourglass", "handbook D2; common practice"),
    "surveys.plan.whole": Rule("A journal is judged when its plan is read", "handbook D1; common practice"),
    "surveys.present-undersize": Rule("A crank starts from its present size", "the trade, rule 4"),
    "verdicts.guard-band": Rule("Too close to call", "ISO 14253-1, recalled; JCGM 106:2012, clause 7, recalled"),
    "verdicts.two-angles": Rule("Two angles may reject, never accept", "geometry"),
    "verdicts.rule-of-thumb": Rule("A rule of thumb settles nothing", "the trade: the maker's limit wins"),
    "verdicts.journal.surface": Rule("The nail test", "the trade, rule 7; common practice"),
    "verdicts.journal.heat": Rule("A journal that got hot", "the trade, rule 2; temper colours, recalled"),
    "verdicts.journal.crack": Rule("A crack ends it", "common practice"),
    "verdicts.journal.fillet": Rule("A sharp fillet starts a crack", "common practice"),
    "verdicts.journal.turned-shell": Rule("A shell that turned: measure the housing", "the trade, rule 9"),
    "verdicts.journal.claimed-size": Rule("A painted size is a claim", "common practice"),
    "verdicts.journal.polish-shell": Rule("A polish undersize shell", "handbook D8; common practice"),
    "verdicts.clean-up": Rule("What a journal cleans up at", "geometry: maximum inscribed circle"),
    "sets.regrind.common-size": Rule("One size for the whole set", "the trade, rule 3"),
    "sets.regrind.sure-size": Rule("The sure end decides the size", "design 8.5; common practice"),
    "sets.regrind.shells-exist": Rule("A size without shells does not exist", "the trade, rule 5"),
    "sets.regrind.smallest-allowed": Rule("Not below the maker's smallest size", "the maker's limit"),
    "sets.regrind.last-size": Rule("Past the last size", "the trade, rule 4"),
    "sets.regrind.hardened": Rule("A hardened crank is never silently ground", "the trade, rule 6; house rule"),
    "sets.regrind.grinder-band": Rule("What the grinder must hit", "common practice"),
    "sets.not-all-read": Rule("A set is decided when all of it is read", "design 8.6"),
    "sets.clearance": Rule("Oil clearance by subtraction", "handbook E1"),
    "sets.shells-to-order": Rule("Shells to order", "common practice"),
}
