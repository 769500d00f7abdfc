"""The sets that journals are decided in, and how journals are hardened."""

from enum import StrEnum


class JournalSet(StrEnum):
    """Journals that are decided together: all mains one size, all rods one size."""

    MAINS = "mains"
    RODS = "rods"


class Hardening(StrEnum):
    """How the journals were hardened. Source: docs/trade: Hardness and fillets."""

    NONE = "none"
    INDUCTION = "induction"
    NITRIDED = "nitrided"
    NITROCARBURISED = "nitrocarburised"
    UNKNOWN = "unknown"
