"""A small shop for the workshop's tests: three people, a gauge, a limits sheet, a job."""

from __future__ import annotations

import itertools
from collections.abc import Callable
from datetime import date
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from halfthou.engines import usual_layouts
from halfthou.jobs import Fact, Gauge, Hardening, Look, SourceKind, held_as
from halfthou.lengths import Unit
from halfthou.report import Assessment
from tests.making import GOOD_ENGINE
from workshop.gauges.actions import GaugeForm, keep_gauge
from workshop.jobs import actions
from workshop.limits.actions import draft_sheet
from workshop.limits.models import SheetRevision
from workshop.limits.translate import FigureForm, SetForm, SheetForm, StepForm
from workshop.people.models import Person, Role
from workshop.record.kept import forget_all
from workshop.record.models import JobRecord
from workshop.record.translate import facts_of

PASSWORD = "scribed-line-42"
counted = itertools.count(1)


def person(role: Role, name: str = "") -> Person:
    made = Person(username=name or role.value, role=role)
    made.set_password(PASSWORD)
    made.save()
    return made


def set_form(one: str, least: str, most: str) -> SetForm:
    figures = [("size", least, most), ("out_of_round", ".0010", ""), ("taper", ".0006", "")]
    return SetForm(
        set=one,
        figures=[FigureForm(name=n, least=a, most=b, source=SourceKind.MAKER) for n, a, b in figures],
        steps=[StepForm(size=step) for step in ("STD", ".010", ".020", ".030")],
        made={"hardening": Hardening.NONE.value},
    )


def sheet_form(engine: str = "Bramling 4") -> SheetForm:
    return SheetForm(
        engine=engine,
        unit=Unit.INCH,
        layout=next(known for known in usual_layouts() if known.name == "Inline four"),
        sets=[set_form("mains", "2.4135", "2.4143"), set_form("rods", "2.0370", "2.0378")],
    )


#: A client signed in as somebody.
SignedIn = Callable[[Person], Client]


def kept(record: JobRecord, document: type[Fact]) -> list[Any]:
    """The facts of one kind that a job holds, as they landed."""
    return list(facts_of(record).by_kind[held_as(document).kind.name])


def back(name: str, of: str) -> actions.TakingBack:
    """A fact that takes another back."""
    return actions.TakingBack(id=name, of=of, at=timezone.now())


def form_of(form: SheetForm, one: str) -> SetForm:
    """One set of a limits form."""
    return next(found for found in form.sets if found.set == one)


@pytest.fixture
def bench(db: None) -> Person:
    return person(Role.BENCH)


@pytest.fixture
def machinist(db: None) -> Person:
    return person(Role.MACHINIST)


@pytest.fixture
def owner(db: None) -> Person:
    return person(Role.OWNER)


@pytest.fixture
def gauge(machinist: Person) -> Gauge:
    typed = {
        "name": "2-3 mic",
        "kind": "micrometer",
        "unit": "in",
        "resolution": ".0001",
        "permissible_error": ".0001",
    }
    return keep_gauge(machinist, None, GaugeForm.model_validate(typed))


@pytest.fixture
def limits(machinist: Person) -> SheetRevision:
    return draft_sheet(machinist, sheet_form())


@pytest.fixture
def job(bench: Person, gauge: Gauge, limits: SheetRevision) -> JobRecord:
    given = actions.BookIn(
        title="Ferry winch", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4)
    )
    return actions.book_in(bench, given).record


@pytest.fixture
def land(bench: Person, job: JobRecord, gauge: Gauge) -> Callable[..., Any]:
    """Land a reading as the bench would send it."""

    def landing(journal: str, spot: str, typed: str, **more: Any) -> Any:
        by = more.pop("by", bench)
        values = {"id": f"k{next(counted)}", "unit": Unit.INCH, "gauge": gauge.id, "at": timezone.now(), **more}
        return actions.land_reading(by, job.pk, actions.Landing(part=journal, spot=spot, typed=typed, **values))

    return landing


@pytest.fixture
def read_all(bench: Person, job: JobRecord, gauge: Gauge) -> Callable[..., None]:
    """Look at the whole engine and find it sound; read it from a file, good or with other sizes for some
    journals."""

    def read(**changed: list[str]) -> None:
        seen = {(one.on, one.look) for one in actions.open_job(job.pk, bench).job.seen}
        for part in GOOD_ENGINE:
            for look, answer in ((Look.SURFACE, "nail runs clear"), (Look.HEAT, "none")):
                if (part, look) not in seen:
                    key = f"k{next(counted)}"
                    found = actions.Seeing(id=key, on=part, look=look, answer=answer, at=timezone.now())
                    actions.see(bench, job.pk, found)
        sizes = {**GOOD_ENGINE, **changed}
        lines = ["journal,spot,size [in]"]
        for journal, texts in sizes.items():
            spots = (f"{plane}{angle}" for plane in "12" for angle in "abcd")
            lines += [f"{journal},{spot},{text}" for spot, text in zip(spots, texts, strict=False)]
        actions.take_in_readings(bench, job.pk, "\n".join(lines) + "\n", gauge.id)

    return read


@pytest.fixture
def client_of() -> Callable[[Person], Client]:
    def signed_in(who: Person) -> Client:
        client = Client()
        client.force_login(who, backend="django.contrib.auth.backends.ModelBackend")
        return client

    return signed_in


@pytest.fixture(autouse=True)
def _nothing_kept() -> None:
    """Each test begins its data anew: what the server keeps in its memory is of the one before."""
    forget_all()


@pytest.fixture(autouse=True)
def _fast_passwords(settings: Any) -> None:
    """Hashing passwords slowly is the database's guard, not what is tested here."""
    settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]


def as_here(found: Assessment) -> str:
    """An assessment in words, without the mark that names from another shop carry."""
    return found.model_dump_json().replace(" (elsewhere)", "")
