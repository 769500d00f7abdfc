"""No request, well or ill formed, is answered with 5xx. Outside: schemathesis writes the requests from the API's
own description; the ill-formed ones below are of kinds that once broke it."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any
from urllib.parse import quote

import pytest
import schemathesis
from django.test import Client
from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.jobs import Gauge
from tests.conftest import examples
from workshop.config.api import api
from workshop.limits.models import SheetRevision
from workshop.people.models import Person
from workshop.record.models import JobRecord

pytestmark = pytest.mark.django_db

#: Texts that people, programs and vandals send where a size, a name or a file is asked for.
ODD_TEXTS = [
    "²",
    "٣.١",
    "½",
    "1e999999",
    "-" * 300,
    "9" * 5000,
    "0" * 200 + "1",
    "\x00",
    "\ud7ff",
    "💥" * 50,
    '"',
    "'",
    "=1+1",
    "<script>",
    "%s%n",
    "../../x",
    "NaN",
    "Infinity",
    "2.0375\r2.0376",
    "1/0",
    "a" * 3000,
    "\u202e2.0375",
    " ",
    "",
]
ODD_TIMES = [
    "0001-01-01T00:00:00Z",
    "9999-12-31T23:59:59Z",
    "2031-05-04T10:00:00",
    "2031-02-30T00:00:00Z",
    "now",
    "",
    None,
    1e99,
]
ODD_FILES = [
    'journal,spot,size [in]\nR1,1a,"2.0375',
    "journal,spot,size [in]\rR1,1a,2.0375",
    "journal;spot\n",
    "\ufeff",
    "\x00",
    "journal,spot,size [in]\n" + "R1,1a," + "9" * 140_000,
    "{",
    "[" * 5000,
    "null",
    '{"job": 1}',
    "journal,journal\n1,2\n",
    "part,spot,size [in],part,size [in]\rR1,1a,2.0375,R2,2.0376",
    "part,spot,size [in]\rR1,1a,2.0375\rR1,1b,2.0375\r",
    '{"format": "half-thou job", "format": "half-thou job", "version": 3, "version": 9, "job": {}, "job": []}',
    '{"format": "half-thou job", "version": ' + "9" * 40 + "}",
    "part,spot,size [in],planes,angle\nR1,1a,2.0375," + "9" * 40 + "," + "9" * 40,
    '{"format": "half-thou job", "version": 1e400}',
    '{"version": 3, "job": {"readings": [' + "{}," * 50 + "{}]}}",
]


class Shop:
    """A signed-in owner and what there is to ask about."""

    def __init__(self, client: Client, job: JobRecord, gauge: Gauge, limits: SheetRevision) -> None:
        self.client, self.job, self.gauge, self.limits = client, job, gauge, limits

    def answered(self, method: str, path: str, body: Any = None) -> int:
        """Send it as it is; the status it was answered with."""
        send = getattr(self.client, method)
        if method == "get":
            return int(send(path).status_code)
        return int(send(path, body, content_type="application/json").status_code)


@pytest.fixture
def shop(
    owner: Person, job: JobRecord, gauge: Gauge, limits: SheetRevision, client_of: Callable[[Person], Client]
) -> Shop:
    client = client_of(owner)
    client.raise_request_exception = False
    return Shop(client, job, gauge, limits)


def test_no_request_of_the_description_breaks_the_server(shop: Shop) -> None:
    """Outside: schemathesis. Half of the requests name a job, gauge or sheet that is there."""
    schema = schemathesis.openapi.from_dict(api.get_openapi_schema())
    there = {"job_id": shop.job.pk, "revision_id": shop.limits.pk, "key": shop.gauge.id, "part": "R1"}
    operations = [found.ok() for found in schema.get_all_operations()]  # type: ignore[union-attr]
    assert len(operations) > 40

    asked = [0]

    @settings(max_examples=examples(300, deep=40_000))
    @given(st.one_of([one.as_strategy() for one in operations]), st.booleans())
    def ask(case: schemathesis.Case[Any], known: bool) -> None:
        if case.path.startswith("/api/session") and case.method in ("DELETE", "POST"):
            return  # it would sign the owner out; tried below
        places = {**(case.path_parameters or {}), **(there if known else {})}
        path = case.path
        for name, value in places.items():
            path = path.replace("{" + name + "}", str(value).replace("/", "-").replace("\\", "-") or "-")
        body = case.body if isinstance(case.body, dict | list | str | int | float | bool | None) else None
        query = {name: str(value) for name, value in (case.query or {}).items()}
        if case.method == "GET":
            answer = shop.client.get(path, query)
        else:
            send = getattr(shop.client, case.method.lower())
            answer = send(path, body, content_type="application/json")
        asked[0] += 1
        assert answer.status_code < 500, (case.method, path, body)

    ask()
    print(f"{asked[0]:,} requests of the description: none answered with 5xx")


@pytest.mark.parametrize("text", ODD_TEXTS, ids=range(len(ODD_TEXTS)))
def test_no_odd_text_breaks_the_server(shop: Shop, text: str) -> None:
    one = f"/api/jobs/{shop.job.pk}"
    reading = {
        "fact": "reading",
        "id": "x1",
        "part": "R1",
        "spot": "1a",
        "typed": text,
        "unit": "in",
        "gauge": shop.gauge.id,
        "at": "2031-05-04T10:00:00Z",
    }
    header = {"title": text, "customer": text, "complaint": text, "card_version": 0}
    statuses = [
        shop.answered("post", f"{one}/facts", {"facts": [reading]}),
        shop.answered("post", f"{one}/facts", {"facts": [{**reading, "typed": "2.0375", "id": text}]}),
        shop.answered(
            "post", f"{one}/facts", {"facts": [{**reading, "typed": "2.0375", "part": text, "spot": text}]}
        ),
        shop.answered("get", f"{one}/changes?since={quote(text[:2000])}"),
        shop.answered("put", one, header),
        shop.answered("get", f"/api/rack?search={text[:2000].replace(' ', '+')}&order=due"),
        shop.answered(
            "post",
            f"{one}/facts",
            {"facts": [{"fact": "operation", "id": "o1", "kind": "grind", "on": "rods", "step": text}]},
        ),
        shop.answered("post", "/api/session", {"name": text, "password": text}),
        shop.answered("post", "/api/people", {"name": text, "password": text, "role": "bench"}),
        shop.answered("get", f"/api/gauges/{text[:200] or '-'}".replace("\x00", "%00").replace("?", "")),
    ]
    assert [status for status in statuses if status >= 500] == []


@pytest.mark.parametrize("at", ODD_TIMES, ids=str)
def test_no_odd_time_breaks_the_server(shop: Shop, at: object) -> None:
    one = f"/api/jobs/{shop.job.pk}"
    reading = {
        "fact": "reading",
        "id": "x1",
        "part": "R1",
        "spot": "1a",
        "typed": "2.0375",
        "unit": "in",
        "gauge": shop.gauge.id,
        "at": at,
    }
    assert shop.answered("post", f"{one}/facts", {"facts": [reading]}) < 500
    assert shop.answered("post", f"{one}/facts", {"sent_at": at, "facts": [reading]}) < 500
    assert shop.answered("put", one, {"title": "x", "due": at, "card_version": 0}) < 500
    assert shop.answered("get", one) == 200


@pytest.mark.parametrize("text", ODD_FILES, ids=range(len(ODD_FILES)))
def test_no_odd_file_breaks_the_server(shop: Shop, text: str) -> None:
    one = f"/api/jobs/{shop.job.pk}"
    for path in (f"{one}/readings.csv", f"{one}/readings.csv/compare", "/api/jobs/import", "/api/limits/import"):
        status = shop.answered("post", path, {"text": text, "gauge": shop.gauge.id, "name": "x"})
        assert status < 500, path
    assert shop.client.get(one).status_code == 200


LONG = int("9" * 40)


@pytest.mark.parametrize("number", [LONG, -LONG, 1e308, LONG + 0.5], ids=["great", "small", "float", "half"])
def test_no_number_of_forty_digits_breaks_the_server(shop: Shop, number: float) -> None:
    """SQLite's whole numbers end at 2^63 (SQLite's documentation, datatypes, from memory)."""
    one = f"/api/jobs/{shop.job.pk}"
    forms: list[tuple[str, str, Any]] = [
        ("put", one, {"title": "x", "card_version": number}),
        ("put", f"{one}/limits", {"limits_id": number}),
        ("post", "/api/jobs", {"number": "9", "title": "x", "limits_id": number}),
        ("get", f"/api/rack?page={number}", None),
        ("get", f"/api/jobs/{abs(int(number))}", None),
        ("get", f"/api/jobs/{abs(int(number))}/pictures", None),
        ("get", f"/api/limits/{abs(int(number))}", None),
        ("patch", f"/api/people/{abs(int(number))}", {"role": "bench"}),
        ("post", f"{one}/facts", {"facts": [{"fact": "reading", "id": "n1", "part": "R1", "spot": "1a",
         "typed": str(number), "unit": "in", "gauge": shop.gauge.id, "at": number}]}),
        ("post", f"{one}/facts", {"facts": [{"fact": "statement", "id": "n2", "topic": "oil", "answer": str(number),
         "number": number, "at": "2031-05-04T10:00:00Z"}]}),
    ]  # fmt: skip
    assert [(m, p) for m, p, body in forms if shop.answered(m, p, body) >= 500] == []


@pytest.mark.parametrize(
    "topic", ["", "oil", "no such", "\x00", "a" * 500, "look:oil", "__class__", "topic\n", "²"]
)
def test_no_odd_topic_breaks_the_server(shop: Shop, topic: str) -> None:
    one = f"/api/jobs/{shop.job.pk}"
    at = "2031-05-04T10:00:00Z"
    facts = [
        {"fact": "statement", "id": "t1", "topic": topic, "answer": "yes", "at": at},
        {"fact": "seen", "id": "t2", "part": "R1", "look": topic, "found": "light marks", "at": at},
        {"fact": topic, "id": "t3", "at": at},
    ]
    for fact in facts:
        assert shop.answered("post", f"{one}/facts", {"facts": [fact]}) < 500
    assert shop.answered("get", one) == 200


#: Bodies of a form with a file, each broken in a way of its own.
PARTS = [
    b"", b"--b", b"--b--", b"--b\r\n\r\n", b"--b\r\nContent-Disposition: form-data\r\n\r\nx\r\n--b--",
    b'--b\r\nContent-Disposition: form-data; name="file"; filename="\x00"\r\n\r\nx\r\n--b--',
    b'--b\r\nContent-Disposition: form-data; name="file"; filename="../../x.png"\r\nContent-Type: \xff\r\n\r\n\xff',
    b'--b\r\nContent-Disposition: form-data; name="file"\r\nContent-Transfer-Encoding: base64\r\n\r\n***\r\n--b--',
    b'--b\r\n' + b'X: y\r\n' * 5000 + b'\r\nx\r\n--b--',
    b''.join(b'--b\r\nContent-Disposition: form-data; name="f%d"\r\n\r\nx\r\n' % n for n in range(3000)) + b'--b--',
    b'--b\r\nContent-Disposition: form-data; name="id"; filename*=utf-9\'\'%ff\r\n\r\nx\r\n--b--',
    b'--b\r\nContent-Disposition: form-data; name="file"; filename="x"\r\n\r\nx\r\n--b--' * 3,
]  # fmt: skip
AS_FORM = "multipart/form-data; "
KINDS = [
    f"{AS_FORM}boundary=b",
    AS_FORM,
    f"{AS_FORM}boundary=",
    "multipart/x; boundary=b",
    f"{AS_FORM}boundary={'b' * 300}",
    f"{AS_FORM}boundary=\xff",
    f"{AS_FORM}charset=no; boundary=b",
]


@pytest.mark.parametrize("kind", KINDS, ids=range(len(KINDS)))
def test_no_ill_formed_upload_breaks_the_server(shop: Shop, kind: str) -> None:
    """RFC 7578 (from memory) says how a form with a file is built; none of these is built so."""
    for path in (f"/api/jobs/{shop.job.pk}/pictures", "/api/jobs/import.zip", "/api/shop/picture"):
        for n, body in enumerate(PARTS):
            status = shop.client.generic("POST", path, body, content_type=kind).status_code
            assert status < 500, (path, n)


def test_the_pictures_of_a_job_that_is_not_are_refused_in_words(shop: Shop) -> None:
    for path in (
        "pictures",
        "pictures/like?on=R1",
        "pictures/p1/small",
        "job.zip",
        "job.json",
        "evidence",
        "strip",
    ):
        answer = shop.client.get(f"/api/jobs/987654/{path}")
        assert answer.status_code == 404, path


def test_what_is_no_json_at_all_is_refused(shop: Shop) -> None:
    for body in (b"\xff\xfe", b"{", b"", b"[" * 100_000):
        answer = shop.client.post("/api/jobs", body, content_type="application/json")
        assert 400 <= answer.status_code < 500
