"""The invented shop and its hands: its people, gauges and limits, and all that is done to a job there."""

from __future__ import annotations

import base64
import random
from concurrent.futures import ThreadPoolExecutor
from datetime import date, datetime, timedelta
from typing import Any

from django.contrib.auth.hashers import make_password
from django.utils import timezone

from demo import pictures
from demo.cabinet import furnish_cabinet, furnish_checks
from demo.engines import diesel_three, petrol_four, vee_eight
from demo.worn import METRIC_HAND, Hand, Worn, readings_csv
from halfthou.first_look import USUAL_LOOKS
from halfthou.jobs import DecisionKind, Gauge, JournalSet, Layout, OperationKind, Plan
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE
from halfthou.verdicts import Action
from workshop.house.actions import HouseRulesForm, keep_rules
from workshop.house.looks import LookTableForm, keep_looks
from workshop.house.shop import ShopForm, keep_shop, keep_shop_picture
from workshop.jobs import actions
from workshop.limits.actions import confirm_sheet, draft_sheet
from workshop.limits.models import SheetRevision
from workshop.limits.translate import SheetForm
from workshop.people.actions import prefer_unit
from workshop.people.models import Person, Role, demo_password
from workshop.record.pictures import upright

SEED = 1902


#: Where the shop is: invented.
ADDRESS = "2 Alder Quay, behind the ropewalk\nSaltmarsh\nTelephone 0100 614"
#: The schools this shop has chosen.
HOUSE = {"guard": "1.645u", "hardened_crank": "never ground", "polish_allowance": "0.0003 in"}


class Shop:
    """The demo shop while it is being furnished."""

    def __init__(self, today: date) -> None:
        self.today = today
        self.chance = random.Random(SEED)
        self.count = 0
        # To hash a password takes a second of a processor: meanwhile the shop is furnished.
        self._hashing = ThreadPoolExecutor()
        self._passwords = {role: self._hashing.submit(make_password, demo_password(role.value)) for role in Role}
        self.bench, self.machinist, self.owner = (self._person(role) for role in Role)
        prefer_unit(self.owner, Unit.INCH)
        keep_rules(self.owner, HouseRulesForm.model_validate(HOUSE))
        keep_looks(self.owner, LookTableForm(table=USUAL_LOOKS))
        keep_shop(self.owner, ShopForm(name="Alder Quay Engine Works", address=ADDRESS))
        mark = base64.b64encode(upright(pictures.mark()).small).decode()
        keep_shop_picture(self.owner, f"data:image/jpeg;base64,{mark}")
        self.cabinet = furnish_cabinet(self.owner, today)
        furnish_checks(self.cabinet, (self.bench, self.machinist), timezone.now())
        self.inch, self.metric = self.cabinet["inch"], self.cabinet["metric"]
        self.petrol, self.diesel, self.vee = (
            self.keep_sheet(form) for form in (petrol_four(), diesel_three(), vee_eight())
        )

    def keep_sheet(self, form: SheetForm) -> SheetRevision:
        """Draft a sheet, look twice, confirm it."""
        drafted = draft_sheet(self.machinist, form.model_copy(update={"sure": True}))
        return confirm_sheet(self.owner, drafted.pk, drafted.version, sure=True)

    def layout_of(self, sheet: SheetRevision) -> Layout:
        """How the engine of a limits sheet is laid out."""
        return Layout.model_validate(sheet.document["layout"])

    def _person(self, role: Role) -> Person:
        person = Person(username=role.value, role=role)
        person.set_unusable_password()
        person.save()
        return person

    def give_passwords(self) -> None:
        """Give everybody the password that the sign-in page shows."""
        for role, hashed in self._passwords.items():
            Person.objects.filter(role=role).update(password=hashed.result())
        self._hashing.shutdown()

    def book(
        self,
        number: int,
        title: str,
        limits: SheetRevision,
        due: int | None,
        card: tuple[str, str] = ("", ""),
        **more: Any,
    ) -> int:
        """Book an engine in; due in so many days."""
        metric = limits.document["unit"] == "mm"
        record = actions.book_in(
            self.bench,
            actions.BookIn(
                number=str(number),
                title=title,
                limits_id=limits.pk,
                entry_unit=Unit.MM if metric else Unit.INCH,
                booked_in=self.today - timedelta(days=max(2, 60 - number)),
                due=None if due is None else self.today + timedelta(days=due),
                customer=card[0],
                complaint=card[1],
                **more,
            ),
        ).record
        return record.pk

    def read(self, job_id: int, journals: dict[str, Worn], hand: Hand) -> None:
        """Read journals and take the readings in from a file."""
        gauge = self.metric if hand is METRIC_HAND else self.inch
        text = readings_csv(journals, Plan(), hand, self.chance)
        actions.take_in_readings(self.bench, job_id, text, gauge.id)

    def type_in(self, job_id: int, part: str, typed: dict[str, str], gauge: Gauge, **more: Any) -> None:
        """Type the readings of one part, as at the bench; `more` says in what state. What is asked is answered: it
        was read so, and what it may have been is asked about at the bench."""
        self.type_all(job_id, [(part, typed, gauge, more)])

    def type_all(self, job_id: int, rows: list[tuple[str, dict[str, str], Gauge, dict[str, Any]]]) -> None:
        """Type the readings of several parts."""
        landings = [
            actions.Landing(
                id=self.key(), part=part, spot=spot, typed=text, unit=gauge.unit, gauge=gauge.id, at=self._now(),
                **more,
            )
            for part, typed, gauge, more in rows
            for spot, text in typed.items()
        ]  # fmt: skip
        _, landed = actions.land_readings(self.bench, job_id, landings)
        asked = {one.id: one.asked.choices[-1].length.nm for one in landed if one.asked is not None}
        again = [one.model_copy(update={"chosen_nm": asked[one.id]}) for one in landings if one.id in asked]
        if again:
            actions.land_readings(self.bench, job_id, again)
        for one in landed:
            if one.refused is not None:
                raise one.refused

    def bring(self, job_id: int, part: str, kind: str, *, new: bool, note: str = "") -> None:
        """Bring a piece in that did not come in the engine."""
        piece = actions.BringingIn(id=self.key(), part=part, kind=kind, new=new, note=note, at=self._now())
        actions.bring_in(self.bench, job_id, piece)

    def fit(self, job_id: int, piece: str, place: str) -> None:
        """Put a piece in its place."""
        fitting = actions.FittingIn(id=self.key(), piece=piece, place=place, at=self._now())
        actions.fit(self.bench, job_id, fitting)

    def see(self, job_id: int, on: str, look: str, answer: str, amount: str = "", **more: Any) -> None:
        """Write down what was seen."""
        seeing = actions.Seeing(
            id=self.key(), on=on, look=look, answer=answer, amount=amount, at=self._now(), **more
        )
        actions.see(self.bench, job_id, seeing)

    def sound(self, job_id: int, *sets: str) -> None:
        """Every part that was read, of some sets or of all, is looked at and sound, each by one key, but for what
        was said of it before."""
        opened = actions.open_job(job_id, self.bench)
        for part in opened.assessment.parts:
            if not part.to_read and part.set in (sets or opened.job.sets):
                for look in CATALOGUE[part.kind].by_one_key(part.unseen):
                    answer = CATALOGUE.looks[look].sound_by_eye
                    self.see(job_id, part.id, look, answer, by_one_key=True)

    def accept(self, job_id: int, *sets: JournalSet) -> None:
        """Accept the verdicts on sets."""
        for journal_set in sets:
            deciding = actions.Deciding(id=self.key(), kind=DecisionKind.ACCEPTED, set=journal_set, at=self._now())
            actions.decide(self.machinist, job_id, deciding)

    def override(self, job_id: int, journal_set: str, action: Action, reason: str) -> None:
        """Decide otherwise, with a reason."""
        deciding = actions.Deciding(
            id=self.key(),
            kind=DecisionKind.OVERRIDDEN,
            set=journal_set,
            action=action,
            reason=reason,
            at=self._now(),
        )
        actions.decide(self.machinist, job_id, deciding)

    def work(self, job_id: int, kind: OperationKind, on: str, undersize: str = "", note: str = "") -> None:
        """Write an operation down."""
        doing = actions.Doing(id=self.key(), kind=kind, on=on, step=undersize, note=note, sure=True)
        actions.do_operation(self.bench, job_id, doing)

    def key(self) -> str:
        """A name for a fact of the demo."""
        self.count += 1
        return f"demo.{self.count}"

    def _now(self) -> datetime:
        return timezone.now()
