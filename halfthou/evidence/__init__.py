"""The evidence: the bearing map, the oil's way, what counts as evidence of a cause, and what follows from it."""

from halfthou.evidence.board import EvidenceBoard, evidence_board
from halfthou.evidence.contaminated import contaminated, flag_of
from halfthou.evidence.customer_report import CustomerReport, ReportFinding, Sent, customer_report, read_report
from halfthou.evidence.faults import faults_of_evidence
from halfthou.evidence.figure_signs import FigureCalled
from halfthou.evidence.oil_report import FIGURES, fault_of_report, viscosity_off
from halfthou.evidence.oil_says import says_of
from halfthou.evidence.oil_way import OilWay, faults_of_way, oil_way_of
from halfthou.evidence.places import halves_of
from halfthou.evidence.reading_the_way import readings_of_the_way
from halfthou.evidence.sighted import Sightings
from halfthou.evidence.standing import EvidenceStanding
