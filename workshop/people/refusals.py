"""A refusal: what cannot be done, where, and what to do about it."""

from collections.abc import Iterable

from halfthou.exchange import Fault


class Refusal(Exception):
    """A request that is refused. The message is for the person; faults name the fields."""

    status = 422

    def __init__(self, code: str, message: str, faults: Iterable[Fault] = ()) -> None:
        super().__init__(message)
        self.code, self.message, self.faults = code, message, tuple(faults)

    def body(self) -> dict[str, object]:
        """The refusal as the API sends it."""
        faults = [{"where": fault.where, "what": fault.what} for fault in self.faults]
        return {"code": self.code, "message": self.message, "faults": faults}


class NotAllowed(Refusal):
    """This person may not do this."""

    status = 403


class NotThere(Refusal):
    """There is no such thing."""

    status = 404


class Clash(Refusal):
    """It was changed meanwhile, or its state does not allow it now."""

    status = 409
