"""What journals are called in words. One place, so that screen, sheet and file say the same."""

from halfthou.jobs import JournalSet, Layout


def short_name(journal: str, layout: Layout) -> str:
    """The name as it stands under the drawing: M1; No. 1 for a rod journal; Pin 1 where rods share pins, so that
    nobody takes it for a cylinder."""
    if journal.startswith("M"):
        return journal
    return f"{'Pin' if shares_pins(layout) else 'No.'} {journal[1:]}"


def shares_pins(layout: Layout) -> bool:
    """Whether any pin carries two rods: then a pin's number is no cylinder's."""
    return any(len(pin.cylinders) > 1 for pin in layout.pins)


def journal_name(journal: str, layout: Layout) -> str:
    """The name in full; where rods share pins, with the cylinders whose rods it carries."""
    if journal.startswith("M"):
        return f"Main journal {journal}"
    if not shares_pins(layout):
        return f"Rod journal No. {journal[1:]}"
    cylinders = layout.pins[int(journal[1:]) - 1].cylinders
    word = "cylinders" if len(cylinders) > 1 else "cylinder"
    return f"Pin {journal[1:]}, {word} {' and '.join(map(str, cylinders))}"


def set_name(journal_set: JournalSet) -> str:
    """Main journals, or rod journals."""
    return "Main journals" if journal_set is JournalSet.MAINS else "Rod journals"


def bore_name(bore: str) -> str:
    """A bore as it is called.

    >>> bore_name("bore-3")
    'Bore 3'
    """
    return f"Bore {bore.removeprefix('bore-')}"
