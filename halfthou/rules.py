"""Every rule that an assessment cites: its lasting id, its name and its source. Explained in docs/rules."""

from typing import NamedTuple


class Rule(NamedTuple):
    """A rule of the trade as this program applies it."""

    name: str
    source: str


RULES: dict[str, Rule] = {
    "gauges.setting-check": Rule("The zero error is kept and taken off", "common practice, no source"),
    "gauges.standing": Rule("A gauge that is out or overdue", "common practice, no source"),
    "gauges.temperature": Rule("Sizes at 20 degrees", "ISO 1; coefficients from memory"),
    "gauges.budget": Rule("What the doubt consists of", "JCGM 100:2008 (GUM), recalled"),
    "gauges.repeatability": Rule("How well a hand repeats", "JCGM 100:2008 (GUM), 4.2, recalled"),
    "gauges.noise-floor": Rule("Out-of-round that is only scatter", "control-chart constant d2, recalled"),
    "gauges.picked": Rule("The least of several lies low by chance", "order statistics of the normal, recalled"),
    "gauges.ratio": Rule("Fine enough for the limit", "common practice; ANSI/NCSL Z540.1, from memory"),
    "gauges.cannot-accept": Rule("A limit that no gauge can accept", "the guard band against the whole span"),
    "gauges.comparator": Rule("A dial counts from its setting", "common practice, no source"),
    "gauges.slips": Rule("The slips of reading", "common practice; thimble and frame from memory"),
    "operations.stale": Rule("Work makes readings stale", "common practice, no source"),
    "surveys.slips": Rule("Did you mean", "common practice, no source; weights invented and tuned"),
    "surveys.slip-or-undersize": Rule("A turn of the thimble, or ground under", "geometry: both are 0.50 mm"),
    "surveys.odd-value": Rule("The odd value of its row", "least squares: deleted residual"),
    "surveys.order": Rule("The order of the spots", "common practice, no source"),
    "verdicts.settling": Rule("What would settle it", "the budget solved for the margin"),
    "verdicts.contradiction": Rule("Readings that cannot all be true", "common practice, no source"),
    "verdicts.clearance": Rule("Oil clearance as measured", "subtraction; GUM 5.2 for what is shared, recalled"),
    "surveys.size.least": Rule("Size found is the least", "common practice, no source"),
    "surveys.form.out-of-round": Rule(
        "Out-of-round, two-point and fitted", "geometry: an ellipse by least squares"
    ),
    "surveys.form.taper": Rule("Taper between the end planes", "common practice, no source"),
    "surveys.form.barrel": Rule("Barrel or hourglass", "common practice, no source"),
    "surveys.plan.whole": Rule("A journal is judged when its plan is read", "common practice, no source"),
    "surveys.plan.outside": Rule("A reading outside the plan is judged", "common practice, no source"),
    "surveys.present-undersize": Rule("A crank starts from its present size", "common practice, no source"),
    "verdicts.guard-band": Rule("Too close to call", "ISO 14253-1, recalled; JCGM 106:2012, clause 7, recalled"),
    "verdicts.two-angles": Rule("Two angles may reject, never accept", "geometry"),
    "verdicts.rule-of-thumb": Rule("A rule of thumb settles nothing", "common practice: the maker's limit wins"),
    "verdicts.journal.surface": Rule("The nail test", "common practice, no source"),
    "verdicts.journal.heat": Rule("A journal that got hot", "common practice; temper colours from memory"),
    "verdicts.journal.crack": Rule("A crack ends it", "common practice, no source"),
    "verdicts.journal.fillet": Rule("A sharp fillet starts a crack", "common practice, no source"),
    "verdicts.journal.larger": Rule("Larger than new is a question", "common practice, no source"),
    "verdicts.journal.straightness": Rule("A bent crank", "common practice, no source"),
    "verdicts.journal.treatment": Rule("Ground through its hard skin", "from memory, heat-treatment literature"),
    "verdicts.housing": Rule("The housing against its band", "the maker's band"),
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
    "sets.regrind.tight": Rule("A band too narrow to work to", "house rule; common practice, no source"),
    "sets.one-crank": Rule("The crank is one part", "common practice, no source"),
    "sets.mixed": Rule("A mixed crank", "common practice, no source"),
    "sets.decided-otherwise": Rule("A person decided otherwise", "the person who measures and assembles decides"),
    "assess.whole": Rule("When nothing is open", "this program's own"),
    "sets.not-all-read": Rule("A set is decided when all of it is read", "common practice, no source"),
    "sets.sheet-questions": Rule("A limits sheet questions itself", "common practice, no source"),
    "sets.clearance": Rule("Oil clearance by subtraction", "subtraction; caps torqued, crush not counted"),
    "sets.shells-to-order": Rule("Shells to order", "common practice, no source"),
}
