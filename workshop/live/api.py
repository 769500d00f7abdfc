"""Live gauges over HTTP: the bridge's door, and a bench taking a gauge in hand."""

from django.http import HttpRequest
from ninja import Router, Schema
from ninja.security import APIKeyHeader
from pydantic import Field

from workshop.config.senders import is_bridge_key
from workshop.live import actions
from workshop.live.actions import ClaimForm, Lines, PortState
from workshop.live.hub import LineState, hub
from workshop.people.api import signed_in
from workshop.people.may import Act, rights_of
from workshop.people.refusals import NotAllowed

router = Router(tags=["live gauges"])


class BridgeKey(APIKeyHeader):
    """The gauge bridge, known by its key."""

    param_name = "X-Bridge-Key"

    def authenticate(self, request: HttpRequest, key: str | None) -> str | None:  # noqa: ARG002
        """The key if it is the right one."""
        return key if key and is_bridge_key(key.encode()) else None


bridge = BridgeKey()


class PortOut(Schema):
    """A port to listen to."""

    gauge: str
    name: str
    port: str


class LineOut(Schema):
    """What became of a line."""

    state: LineState
    text: str
    words: str


class LiveGauge(Schema):
    """A gauge that speaks: its port, who has it in hand, and its last lines, newest first."""

    gauge: str
    connected: bool
    words: str
    bench: str
    person: str
    where: str
    lines: list[LineOut]


class ClaimOut(Schema):
    """Who else has the gauge in hand, in words; "" where it is taken."""

    elsewhere: str


class ReleaseIn(Schema):
    """A bench that lets go of its gauge."""

    bench: str = Field(max_length=64)
    gauge: str = Field(max_length=64)


class StandsIn(Schema):
    """The spot that a bench has in hand; empty where none is."""

    bench: str = Field(max_length=64)
    part: str = Field(default="", max_length=40)
    spot: str = Field(default="", max_length=8)


@router.get("/bridge/ports", response=list[PortOut], auth=bridge)
def list_ports(request: HttpRequest) -> list[PortOut]:
    """The ports the bridge is to listen to."""
    return [PortOut(gauge=g.id, name=g.name, port=g.port) for g in actions.gauges_with_ports()]


@router.post("/bridge/lines", response=list[LineOut], auth=bridge)
def take_lines(request: HttpRequest, given: Lines) -> list[LineOut]:
    """Lines of one gauge."""
    return [LineOut(state=line.state, text=line.text, words=line.words) for line in actions.take_lines(given)]


@router.post("/bridge/state", response=PortState, auth=bridge)
def port_state(request: HttpRequest, given: PortState) -> PortState:
    """A port was plugged in or pulled."""
    hub.port_changed(given.gauge, given.port, given.words, connected=given.connected)
    return given


@router.get("/gauges", response=list[LiveGauge])
def list_live(request: HttpRequest) -> list[LiveGauge]:
    """The gauges that speak, and what they said last."""
    found = []
    for gauge in actions.gauges_with_ports():
        port, claim = hub.port(gauge.id), hub.claims.get(gauge.id)
        found.append(
            LiveGauge(
                gauge=gauge.id,
                connected=port.connected and port.address == gauge.port,
                words=port.words,
                bench=claim.bench if claim else "",
                person=claim.person if claim else "",
                where=claim.where if claim else "",
                lines=[LineOut(state=x.state, text=x.text, words=x.words) for x in reversed(port.lines)],
            )
        )
    return found


@router.post("/claims", response=ClaimOut)
def claim_gauge(request: HttpRequest, given: ClaimForm) -> ClaimOut:
    """Take a gauge in hand, where no other bench has it."""
    return ClaimOut(elsewhere=actions.claim_gauge(signed_in(request), given))


@router.post("/stands", response=StandsIn)
def stand_at(request: HttpRequest, given: StandsIn) -> StandsIn:
    """Say which spot is in hand: other benches of the job see it."""
    hub.stands(given.bench, signed_in(request).pk, given.part, given.spot)
    return given


@router.post("/release", response=ReleaseIn)
def release(request: HttpRequest, given: ReleaseIn) -> ReleaseIn:
    """Put the gauge down."""
    person = signed_in(request)
    owner = Act.KEEP_ACCOUNTS in rights_of(person)
    if given.gauge in hub.claims and not hub.release(given.bench, given.gauge, person.username, owner=owner):
        raise NotAllowed("not-yours", "Another bench has that gauge. It lets go of it itself, or an owner does.")
    return given
