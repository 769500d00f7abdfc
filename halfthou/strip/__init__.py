"""The strip: its list by layout, marks and places of parts, and what stands open until the engine leaves."""

from halfthou.strip.before_bench import NOTHING, BeforeBench, before_bench
from halfthou.strip.drawn import DrawnGroup, EngineShape, shape_of
from halfthou.strip.fasteners import renew_because, stretch_called, stretch_when_tight
from halfthou.strip.faults import faults_of_strip
from halfthou.strip.laid_bare import laid_bare, lies_bare, way_to
from halfthou.strip.marks import caps_seen, disagreements, fault_of_mark, mark_findings, same_mark, stepped
from halfthou.strip.off_already import with_what_stood_before
from halfthou.strip.open_ends import EndKind, open_ends, still_open
from halfthou.strip.order import StripCircle, ordered
from halfthou.strip.other_way import FittingStep, other_way, to_renew
from halfthou.strip.places import places_off
from halfthou.strip.proof import breaks
from halfthou.strip.report import PositionShown, StripReport, StripStepShown, looks_of, strip_report
from halfthou.strip.standing import Strip
from halfthou.strip.step import StripStep
from halfthou.strip.steps import steps_by_id, steps_of, strip_list
from halfthou.strip.whereabouts import lies_in, lies_there
