"""A kind of part that only the tests have: clutch faces, read at sixteen spots that no plane and angle names."""

from __future__ import annotations

from halfthou.engines import FeatureKind, PartKind, Place, SheetFigure, StationDrawing
from halfthou.jobs import Layout, Purpose, SourceKind
from halfthou.lengths import Length
from halfthou.parts import Given
from halfthou.report import FigureShown, figures_shown
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import FigureKind, Limit, greatest, judge, least, summed
from tests.push_rods import PushRods

SET = "faces"
SPOTS = tuple(f"rim{n}" for n in range(1, 13)) + tuple(f"hub{n}" for n in range(1, 5))
SIZE = FigureKind("size", "surveys.form.least-size", "least thickness", difference=False)
UNEVEN = FigureKind("uneven", "surveys.form.taper", "unevenness")


def _faces(layout: Layout) -> tuple[Place, ...]:
    return (Place("face-1", "clutch face", SET, "Clutch face", "Clutch face"),)


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


class Faces(PushRods):
    """Judged as a push rod is; its figures are its least thickness and how uneven it is."""

    kind = FACE

    def figures(self, survey: FeatureSurvey, given: Given) -> tuple[FigureShown, ...]:
        """Least thickness and unevenness, by the readings there are."""
        guard, band = given.job.house_rules.guard, given.job.limits.sets[SET].band("size")
        assert band is not None
        size = summed(SIZE, [least(survey)], guard)
        uneven = summed(UNEVEN, [greatest(survey), least(survey, -1.0)], guard)
        findings = [
            judge(figure, limit)
            for figure, limit in (
                (size, Limit(band.least, True, SourceKind.MAKER)),
                (uneven, Limit(Length(50_800), False, SourceKind.MAKER)),
            )
            if figure is not None
        ]
        return figures_shown(findings, given.say)
