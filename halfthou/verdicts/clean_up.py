"""The largest true cylinder that a worn journal still holds, from diameters alone."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.lengths import ZERO, Length


@dataclass(frozen=True, slots=True)
class Score:
    """A score: its radial depth below the surface around it, and the diameter there if the place is known."""

    depth: Length
    size_there: Length | None = None


@dataclass(frozen=True, slots=True)
class CleanUp:
    """The interval in which the clean-up size lies, before polish and doubt.

    `sure` is certain: all wear on one side and the axis kept. `possible` needs even wear, or a free axis.
    """

    sure: Length
    possible: Length

    def less(self, bend: Length) -> CleanUp:
        """The interval once a bent shaft is ground true: what the bend takes off comes off both ends.

        Rule:    straightness.taken-off.
        """
        return self if bend == ZERO else CleanUp(self.sure - bend, self.possible - bend)

    def allowing_for(
        self, polish: Length, sure_doubt: Length, possible_doubt: Length, rise: Length = ZERO
    ) -> CleanUp:
        """The interval after what a polish takes off, the doubt of the readings and warmth that nobody measured.

        Takes:   the expanded uncertainty U of each end. The sure end holds the least size twice, so it carries its
                 doubt (and what the journal may yet shrink) twice, less what it shares with the size it counts
                 from; what is possible is judged generously.   Source: docs/trade: Choosing the size.
        """
        return CleanUp(self.sure - polish - sure_doubt - rise * 2, self.possible - polish + possible_doubt)


def clean_up_size(size_found: Length, ground_size: Length, score: Score | None = None) -> CleanUp:
    """Between which sizes a journal cleans up.

    Takes:   the least size found; the size it was last ground to (or the largest reading, if larger);
             the deepest score, if there is one.
    Gives:   2·D_min - D_ref (one-sided wear, axis kept) to D_min (even wear or free axis), less the score.
    Rule:    verdicts.clean-up.   Source: docs/trade: Clean-up; the ends are the largest circle inside the worn
             form, checked against shapely and a linear program.
    >>> clean_up_size(Length(57_104_280), Length(57_119_520)).sure == Length(57_089_040)
    True
    """
    sure = size_found * 2 - ground_size
    possible = size_found
    if score is not None and score.depth > ZERO:
        if score.size_there is None:
            sure -= score.depth * 2
            possible -= score.depth
        else:
            sure = min(sure, score.size_there * 2 - ground_size - score.depth * 2)
            possible = min(possible, score.size_there - score.depth)
    return CleanUp(min(sure, possible), possible)
