"""What journals are called in words. One place, so that screen, sheet and file say the same."""

from halfthou.jobs import JournalSet, Layout


def short_name(journal: str) -> str:
    """The name as it stands under the drawing: M1, No. 1 for a rod journal, Bore 1."""
    kind, _, number = journal.partition("-")
    if number:
        return f"{kind.capitalize()} {number}"
    return journal if journal.startswith("M") else f"No. {journal[1:]}"


def journal_name(journal: str, layout: Layout) -> str:
    """The name in full; a pin that carries two rods names their cylinders."""
    if journal.startswith("M"):
        return f"Main journal {journal}"
    cylinders = layout.pins[int(journal[1:]) - 1].cylinders
    shared = f", cylinders {cylinders[0]} and {cylinders[1]}" if len(cylinders) == 2 else ""
    return f"Rod journal No. {journal[1:]}{shared}"


def set_name(journal_set: JournalSet) -> str:
    """Main journals, or rod journals."""
    return "Main journals" if journal_set is JournalSet.MAINS else "Rod journals"
