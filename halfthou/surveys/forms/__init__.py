"""The forms that readings of a part can show."""

from halfthou.surveys.forms.measure import FRONT, REAR, Measure, MeasuredWhere
from halfthou.surveys.forms.ovality import Ovality, fit_ovality
from halfthou.surveys.forms.round import Form, form_of, places_of

__all__ = ["FRONT", "REAR", "Form", "Measure", "MeasuredWhere", "Ovality", "fit_ovality", "form_of", "places_of"]
