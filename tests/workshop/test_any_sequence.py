"""Whatever the shop accepts, in any order and from anybody, still opens, judges, prints and goes out and in again.

Outside: Hypothesis chooses the requests; the command line, on the exported file, must say the same words.
"""

from __future__ import annotations

import json
from typing import Any

import pytest
from django.db import transaction
from django.test import Client
from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, rule, run_state_machine_as_test

from halfthou.assess import assess
from halfthou.exchange import read_job
from halfthou.jobs import DecisionKind, JournalSet, Look, OperationKind, Waived
from halfthou.parts import CATALOGUE
from halfthou.verdicts import Action
from tests.conftest import examples
from tests.making import GOOD_MAIN, GOOD_ROD
from tests.reported import BEFORE_THE_BENCH
from tests.telling import Told
from workshop.people.models import Role
from workshop.record.kept import forget_all

from .conftest import as_here, person, sheet_form

WHERE = st.sampled_from(["R1", "R2", "R4", "M1", "M3", "M5", "R9", ""])
SPOTS = st.sampled_from(["1a", "1b", "1c", "1d", "2a", "2d", "3a", "9z", "1"])
SIZES = st.sampled_from([
    "2.0375", "2.0374", "2.0369", "2.0361", "2.0277", "2.0275", "2.0200", "2.0400", "2.4140", "2.4142", "2.4030",
    "51.752", "375", "+3", "0", "-2.0375", "2.0.3", "20375", "half a thou", "2.0125", "2.1642", "0.0623", "25.4",
])  # fmt: skip
TIMES = st.sampled_from(
    ["2031-05-04T10:00:00Z", "2031-05-04T12:00:00+02:00", "2031-05-06T09:00:00Z", "1960-01-01T00:00:00Z"]
)
#: Of every look what it may answer, of whatever kind of part it is.
ANSWERS = {look: sorted({a for kind in CATALOGUE.all for one in kind.looks if one.key == look for a in one.texts})
           for look in Look}  # fmt: skip

NAMES = st.integers(1, 12).map(lambda n: f"f{n}")
UNDER = st.sampled_from(["", "0.010", ".020", "0.25 mm", "0.015", "10", "STD", "1", "-0.010"])
FEATURES = st.sampled_from(["journal", "journal", "journal", "housing bore", "bearing bore", "wall thickness"])
SETS = st.sampled_from([one.value for one in JournalSet])


class Shop(RuleBasedStateMachine):
    """A shop with one engine booked in; three people ask for whatever comes to their mind."""

    @initialize()
    def open_shop(self) -> None:
        self.undo = transaction.atomic()
        self.undo.__enter__()
        self.people = {role: Client(raise_request_exception=False) for role in Role}
        for role, client in self.people.items():
            client.force_login(person(role), backend="django.contrib.auth.backends.ModelBackend")
        self.asked, self.accepted = 0, True
        self.told: dict[int, Told] = {}
        self.gauges = [self.owner("/api/gauges", gauge_form("0.0001"))["id"]]
        forget_all()
        self.sheet = self.owner("/api/limits", sheet_form().model_dump(mode="json"))["line"]["id"]
        booked = {"title": "Ferry winch", "limits_id": self.sheet, "entry_unit": "in", "booked_in": "2031-05-04"}
        self.jobs = [self.owner("/api/jobs", booked)["card"]["id"]]

    def owner(self, path: str, body: Any) -> Any:
        answer = self.people[Role.OWNER].post(path, body, content_type="application/json")
        assert answer.status_code == 200, answer.content
        return answer.json()

    def ask(self, role: Role, path: str, body: Any, method: str = "post") -> Any:
        """Ask for it; what came back where it was accepted."""
        answer = getattr(self.people[role], method)(path, body, content_type="application/json")
        assert answer.status_code < 500, (path, body, answer.content[:400])
        self.accepted = self.accepted or answer.status_code == 200
        return answer.json() if answer.status_code == 200 else None

    def report(self, role: Role, fact: str, *bodies: dict[str, Any]) -> None:
        """Report facts of one kind."""
        self.ask(role, self.path("/facts"), {"facts": [{"fact": fact, **body} for body in bodies]})

    def path(self, rest: str) -> str:
        self.asked += 1
        return f"/api/jobs/{self.jobs[self.asked % len(self.jobs)]}{rest}"

    roles = st.sampled_from(list(Role))

    @rule(role=roles, name=NAMES, on=WHERE, spot=SPOTS, typed=SIZES, at=TIMES, feature=FEATURES, other=NAMES)
    def read(
        self, role: Role, name: str, on: str, spot: str, typed: str, at: str, feature: str, other: str
    ) -> None:
        body = {"id": name, "part": on, "feature": feature, "spot": spot, "typed": typed, "unit": "in",
                "gauge": self.gauges[-1], "at": at}  # fmt: skip
        if len(other) == 2:
            body["corrects"] = other
        self.report(role, "reading", body)

    @rule(role=roles, name=NAMES, on=st.sampled_from(["R1", "R2", "R3", "R4", "M1", "M2", "M3", "M4", "M5"]),
          under=st.sampled_from([0, 0, 100, 102, 200, -2]), at=TIMES,
          part=st.sampled_from(["", "35", "20", "cold"]),
          condition=st.sampled_from(["rested", "from the wash", "from the hand"]))  # fmt: skip
    def read_a_journal(
        self, role: Role, name: str, on: str, under: int, at: str, part: str, condition: str
    ) -> None:
        as_new = GOOD_ROD if on.startswith("R") else GOOD_MAIN
        sitting = {"id": f"s{name}", "part": part, "condition": condition, "at": at}
        readings = [
            {"id": f"{name}{on}{n}", "part": on, "spot": f"{n // 4 + 1}{'abcd'[n % 4]}",
             "typed": f"{float(text) - under / 10_000:.4f}", "unit": "in", "gauge": self.gauges[0], "at": at,
             "sitting": sitting}
            for n, text in enumerate(as_new)
        ]  # fmt: skip
        self.report(role, "reading", *readings)

    @rule(role=roles, name=NAMES, on=st.one_of(WHERE, SETS), look=st.sampled_from(list(Look)), at=TIMES,
          nth=st.integers(0, 4), depth=st.sampled_from(["", "0.002", "half a thou", "2"]), spot=SPOTS)  # fmt: skip
    def see(self, role: Role, name: str, on: str, look: Look, at: str, nth: int, depth: str, spot: str) -> None:
        answers = ANSWERS[look]
        answer = answers[nth % len(answers)]
        body = {"id": name, "on": on, "look": look.value, "answer": answer, "amount": depth, "spot": spot, "at": at}
        self.report(role, "seen", body)

    @rule(role=roles, name=NAMES, kind=st.sampled_from(list(OperationKind)), on=st.one_of(WHERE, SETS),
          under=UNDER, sure=st.booleans())  # fmt: skip
    def work(self, role: Role, name: str, kind: OperationKind, on: str, under: str, sure: bool) -> None:
        body = {"id": name, "kind": kind.value, "on": on, "step": under, "sure": sure}
        self.report(role, "operation", body)

    @rule(role=roles, name=NAMES, fact=NAMES, at=TIMES)
    def take_back(self, role: Role, name: str, fact: str, at: str) -> None:
        self.report(role, "withdrawal", {"id": name, "of": fact, "at": at})

    @rule(role=roles, name=NAMES, nth=st.integers(0, 99), other=NAMES, flag=st.booleans(), at=TIMES)
    def tell_of_door_and_strip(self, role: Role, name: str, nth: int, other: str, flag: bool, at: str) -> None:
        fact, said = BEFORE_THE_BENCH[nth % len(BEFORE_THE_BENCH)]
        body = {"id": name, "at": at, **said}
        body |= {key: other for key in ("of", "point") if key in said}
        body |= {key: flag for key in ("found", "on", "mark", "there") if isinstance(said.get(key), bool)}
        self.report(role, fact, body)

    @rule(role=roles, name=NAMES, kind=st.sampled_from(list(DecisionKind)), which=SETS, on=WHERE, under=UNDER,
          about=st.sampled_from(list(Waived)), action=st.sampled_from([None, *Action]), at=TIMES)  # fmt: skip
    def decide(
        self, role: Role, name: str, kind: DecisionKind, which: str, on: str, under: str, about: Waived,
        action: Action | None, at: str,
    ) -> None:  # fmt: skip
        body = {"id": name, "kind": kind.value, "set": which, "part": on, "about": about.value,
                "action": action and action.value, "step": under, "reason": "so it is", "sure": True,
                "at": at}  # fmt: skip
        self.ask(role, self.path("/decisions"), body)
        self.ask(role, self.path("/decisions/take-up"), {"id": name})

    @rule(role=roles, which=SETS, on=WHERE, about=st.sampled_from(list(Waived)))
    def take_a_decision_back(self, role: Role, which: str, on: str, about: Waived) -> None:
        self.ask(role, self.path("/decisions/take-back"), {"set": which, "part": on, "about": about.value})

    @rule(role=roles)
    def sign(self, role: Role) -> None:
        path = self.path("/signatures")
        bench = self.people[role].get(path.replace("/signatures", "")).json()
        items = bench["assessment"]["cause"]["items"] if "assessment" in bench else ()
        self.ask(role, path, {"answers": {one["key"]: "closed up all the same" for one in items}})

    @rule(role=roles)
    def withdraw(self, role: Role) -> None:
        self.ask(role, self.path("/signatures/withdraw"), {"reason": "a shell was read wrong"})

    @rule(role=roles, name=NAMES, reading=NAMES, nm=st.sampled_from([None, 51_752_500, 1]))
    def answer_a_question(self, role: Role, name: str, reading: str, nm: int | None) -> None:
        self.report(role, "slip answer", {"id": name, "reading": reading, "taken_nm": nm})

    @rule(
        role=roles,
        which=SETS,
        planes=st.integers(1, 5),
        angles=st.sampled_from([[0, 90], [0, 45, 90, 135], [0, 15, 90]]),
    )
    def plan(self, role: Role, which: str, planes: int, angles: list[int]) -> None:
        body = {"set": which, "plan": {"planes": planes, "angles_deg": angles}}
        self.ask(role, self.path("/plan"), body, "put")

    @rule(role=roles, rods=st.sampled_from([("2.0370", "2.0378"), ("2.0270", "2.0278")]), sure=st.booleans())
    def other_limits(self, role: Role, rods: tuple[str, str], sure: bool) -> None:
        copied = self.ask(role, f"/api/limits/{self.sheet}/copy", {})
        if copied is None:
            return
        form = {**copied["form"], "sure": sure}
        form["sets"][1]["figures"][0] |= {"least": rods[0], "most": rods[1]}
        self.ask(role, f"/api/limits/{copied['line']['id']}", form, "put")
        self.ask(role, self.path("/limits"), {"limits_id": copied["line"]["id"]}, "put")

    @rule(role=roles, step=st.sampled_from(["0.0001", "0.001", "0.00005"]), at=TIMES, name=NAMES,
          read=st.sampled_from(["2.0000 2.0001 2.0000", "2.0011", "1.9990 1.9991"]))  # fmt: skip
    def gauges_change(self, role: Role, step: str, at: str, name: str, read: str) -> None:
        made = self.ask(role, "/api/gauges", gauge_form(step))
        if made is not None:
            self.gauges.append(made["id"])
        check = {"id": name, "standard": "2.0000", "read": read, "unit": "in", "at": at}
        self.ask(role, f"/api/gauges/{self.gauges[0]}/checks", check)

    @rule(role=roles, mixed=st.booleans(), keep=st.booleans())
    def house_rules_change(self, role: Role, mixed: bool, keep: bool) -> None:
        rules = self.people[role].get("/api/house-rules").json()
        self.ask(role, "/api/house-rules", {**rules, "mixed_sizes": mixed, "keep_axis": keep, "sure": True}, "put")

    @rule(role=roles, number=st.integers(100, 104))
    def file_out_and_in(self, role: Role, number: int) -> None:
        data = json.loads(self.people[Role.BENCH].get(self.path("/job.json")).content)
        data["job"]["number"] = str(number)
        taken = self.ask(role, "/api/jobs/import", {"text": json.dumps(data)})
        if taken is not None:
            self.jobs.append(taken["card"]["id"])

    @rule(role=roles)
    def readings_out_and_in(self, role: Role) -> None:
        path = self.path("/readings.csv")
        text = self.people[Role.BENCH].get(path).content.decode()
        compared = self.ask(role, f"{path}/compare", {"text": text, "gauge": ""})
        if compared is not None:
            assert (compared["new"], compared["differs"]) == (0, [])

    @invariant()
    def the_bench_opens_and_tells_what_changed(self) -> None:
        """After every step that was accepted: its job opens, and who is told only what changed knows it all."""
        if self.accepted:
            self.accepted = False
            self.bench_of(self.jobs[self.asked % len(self.jobs)])

    def bench_of(self, job: int) -> Any:
        client = self.people[Role.OWNER]
        opened = client.get(f"/api/jobs/{job}")
        assert opened.status_code == 200, opened.content
        told = self.told.setdefault(job, Told({"assessment": {}, "state": ""}))
        told.hear(client.get(f"/api/jobs/{job}/changes?since={told.state}").json())
        whole = opened.json()
        assert told.bench == whole
        return whole

    def teardown(self) -> None:
        try:
            for job in self.jobs:
                self.stands(job)
        finally:
            transaction.set_rollback(True)
            self.undo.__exit__(None, None, None)

    def stands(self, job: int) -> None:
        """It opens, judges, prints and exports; the file says the same words."""
        client = self.people[Role.OWNER]
        views = ("/story", "/sheet.html", "/card.html", "/readings.csv", "/budgets/R1", "/door",
                 "/looks", "/strip", "/pictures", "/evidence", "/report",
                 "/report.html", "/labels.html", "/job.zip")  # fmt: skip
        for view in views:
            assert client.get(f"/api/jobs/{job}{view}").status_code == 200, view
        file = client.get(f"/api/jobs/{job}/job.json").content.decode()
        found = assess(read_job(file).job)
        shown = self.bench_of(job)["assessment"]
        assert json.loads(as_here(found)) == json.loads(json.dumps(shown).replace(" (elsewhere)", ""))


def gauge_form(step: str) -> dict[str, str]:
    """A micrometer as typed."""
    return {
        "name": "2-3 mic", "kind": "micrometer", "unit": "in", "resolution": step, "permissible_error": ".0001",
        "least": "2", "most": "3",
    }  # fmt: skip


@pytest.mark.django_db
def test_whatever_is_accepted_opens_judges_prints_and_goes_round() -> None:
    run_state_machine_as_test(Shop, settings=settings(max_examples=examples(14), stateful_step_count=25))
