"""What an assessment waits for, where more than one room has to know it."""

#: Everything is judged, and nobody has decided.
DECISION = "a decision"
