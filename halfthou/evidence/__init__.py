"""The evidence: the bearing map, the oil's way, what counts as evidence of a cause, and what follows from it."""

from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.board import EvidenceBoard, evidence_board
from halfthou.evidence.contaminated import Contaminated, contaminated, flag_of
from halfthou.evidence.customer_report import CustomerReport, ReportFinding, customer_report, read_report
from halfthou.evidence.faults import faults_of_evidence, faults_of_sighting
from halfthou.evidence.from_bench import FigureCalled
from halfthou.evidence.gate import Gate
from halfthou.evidence.gathering import gather
from halfthou.evidence.grades import BY_ANSWER, GRADES, NORMAL, OVERLAY, Grade
from halfthou.evidence.oil_report import FIGURES, fault_of_report, oil_signs, viscosity_off
from halfthou.evidence.oil_way import EXTRAS, OilWay, faults_of_way, oil_way_of
from halfthou.evidence.places import DEPOSIT, answers_of, halves_of, places_of
from halfthou.evidence.reading_the_way import readings_of_the_way
from halfthou.evidence.sighted import Sightings
from halfthou.evidence.standing import EvidenceStanding
from halfthou.evidence.to_bench import evidence_seen

__all__ = [
    "BY_ANSWER",
    "DEPOSIT",
    "EXTRAS",
    "FIGURES",
    "GRADES",
    "NORMAL",
    "OVERLAY",
    "BearingMap",
    "Contaminated",
    "CustomerReport",
    "EvidenceBoard",
    "EvidenceStanding",
    "FigureCalled",
    "Gate",
    "Grade",
    "OilWay",
    "ReportFinding",
    "Sightings",
    "answers_of",
    "contaminated",
    "customer_report",
    "evidence_board",
    "evidence_seen",
    "fault_of_report",
    "faults_of_evidence",
    "faults_of_sighting",
    "faults_of_way",
    "flag_of",
    "gather",
    "halves_of",
    "oil_signs",
    "oil_way_of",
    "places_of",
    "read_report",
    "readings_of_the_way",
    "viscosity_off",
]
