"""The forms that readings of a part can show."""

from halfthou.surveys.forms.measure import FRONT, REAR, Measure, MeasuredWhere
from halfthou.surveys.forms.ovality import fit_ovality
from halfthou.surveys.forms.profile import At, Axis, Inscribed, has_hole, largest_inside
from halfthou.surveys.forms.round import Form, form_of, places_of
from halfthou.surveys.forms.run_out import Offset, Swing, fit_swing
