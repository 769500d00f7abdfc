"""A kind of part that only the tests have: clutch faces, read at sixteen spots that no plane and angle names."""

from __future__ import annotations

from math import cos, hypot, sin, tau

from halfthou.engines import FeatureKind, PartKind, Place, SheetFigure, StationDrawing
from halfthou.jobs import Band, Guard, Layout, Purpose, SourceKind
from halfthou.lengths import Length
from halfthou.parts import Given
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import FigureKind, Limit, Term, greatest, least, summed
from tests.push_rods import PushRods, Verdict, verdict_of

SET = "faces"
SPOTS = tuple(f"rim{n}" for n in range(1, 13)) + tuple(f"hub{n}" for n in range(1, 5))
SIZE = FigureKind("size", "surveys.form.least-size", "least thickness", difference=False)
UNEVEN = FigureKind("uneven", "surveys.form.taper", "unevenness")
WOBBLE = FigureKind("wobble", "surveys.form.taper", "wobble of the rim")
RIM = SPOTS[:12]
MOST_APART = Limit(Length(50_800), False, SourceKind.MAKER)


def _faces(layout: Layout) -> tuple[Place, ...]:
    return (Place("face-1", "clutch face", SET, "Clutch face", "Clutch face"),)


def wobble(survey: FeatureSurvey) -> list[Term | None]:
    """A form that only this kind has: once round the rim, how far it swings. Twice the amplitude of the first
    harmonic, as a sum of spots, so that its doubt follows; nothing until the whole rim is read."""
    if not all(spot in survey.sizes for spot in RIM):
        return [None]
    angles = [tau * n / len(RIM) for n in range(len(RIM))]
    sizes = [survey.sizes[spot].nm for spot in RIM]
    across = 2 / len(RIM) * sum(size * cos(angle) for size, angle in zip(sizes, angles, strict=True))
    along = 2 / len(RIM) * sum(size * sin(angle) for size, angle in zip(sizes, angles, strict=True))
    swing = hypot(across, along) or 1.0
    return [
        Term(4 / len(RIM) * (across * cos(angle) + along * sin(angle)) / swing, survey, spot)
        for spot, angle in zip(RIM, angles, strict=True)
    ]


FACE = PartKind(
    key="clutch face",
    name="Clutch face",
    station="flywheel",
    station_drawing=StationDrawing.ROW,
    parts=_faces,
    features=(FeatureKind("thickness", "thickness", Purpose.JOURNAL, spots=SPOTS, hold="square to the face"),),
    sets={SET: "Clutch faces"},
    figures=(SheetFigure("size", "Thickness, new", is_band=True, needed=True),),
    actions=("reuse", "replace"),
)


def judge_face(survey: FeatureSurvey, band: Band, guard: Guard) -> Verdict:
    """A clutch face by its least thickness, how uneven it is, and how far its rim swings."""
    figures = (
        (summed(SIZE, [least(survey)], guard), Limit(band.least, True, SourceKind.MAKER)),
        (summed(UNEVEN, [greatest(survey), least(survey, -1.0)], guard), MOST_APART),
        (summed(WOBBLE, wobble(survey), guard), MOST_APART),
    )
    return verdict_of(survey, figures, good=True)


class Faces(PushRods):
    """Judged as a push rod is, by figures of its own."""

    kind = FACE

    def judged(self, part: str, given: Given) -> Verdict:
        """One face, judged by what was read of it alone."""
        band = given.job.limits.sets[SET].band("size")
        assert band is not None
        guard = given.job.house_rules.guard
        return given.memo.of(("verdict", part), judge_face, self._survey(given, part), band, guard)
