"""The door: what is asked of an engine before it is opened, and what the answers say together."""

from halfthou.door.faults import faults_at_the_door, faults_of_statement
from halfthou.door.findings import complaint_kinds, door_findings, run_of, said_of, turns
from halfthou.door.looks_answered import answered_at_the_door
from halfthou.door.topics import (
    CARRIED,
    COMPLAINT,
    DRAWN,
    EARLIER,
    HOURS,
    MISSING,
    RENEWED,
    SAMPLE,
    SIGNED_FOR,
    SINCE_BUILT,
    TOPICS,
    TURNS,
    Topic,
)
