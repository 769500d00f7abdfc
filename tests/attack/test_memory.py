"""What a day leaves behind: memory over twenty minutes of mixed load is printed, and level.

Outside: the resident size that the operating system gives of the process.
"""

from __future__ import annotations

import http.client
import io
import os
import random
import statistics
import time
import uuid
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

import psutil
import pytest
from PIL import Image

from tests.conftest import copied
from tests.serving import Server, serving
from tests.visiting import Visitor

#: In minutes; twenty unless asked otherwise.
LASTS = float(os.environ.get("MEMORY_MINUTES", "20"))
#: The last quarter may hold so much more than the second: what is kept of jobs that grow meanwhile. What is asked
#: for is as large at the end as at the start: the zip is of a job that gets no pictures.
LEVEL = 1.10


def fetch(server: Server, visitor: Visitor, path: str) -> None:
    with closing(http.client.HTTPConnection("127.0.0.1", server.port, timeout=60)) as line:
        line.request("GET", path, headers=visitor.headers())
        answer = line.getresponse()
        assert answer.status == 200, path
        answer.read()


def read(visitor: Visitor, gauge: int, chance: random.Random) -> None:
    reading = {
        "fact": "reading", "id": str(uuid.uuid4()), "part": f"M{chance.randint(1, 4)}", "spot": "1a",
        "typed": "73.650", "unit": "mm", "gauge": gauge, "at": "2031-05-04T12:00:00Z",
    }  # fmt: skip
    visitor.ask("POST", "/api/jobs/4/facts", {"facts": [reading]})
    visitor.ask("POST", "/api/jobs/4/undo", {"id": str(uuid.uuid4()), "at": "2031-05-04T12:00:01Z"})


def photograph(server: Server, visitor: Visitor, chance: random.Random) -> None:
    """A picture of two megapixels, another each time."""
    drawn, out = Image.effect_noise((1600, 1200), chance.uniform(20, 90)), io.BytesIO()
    drawn.save(out, "JPEG", quality=60)
    fields = {"id": str(uuid.uuid4()), "on": "R1", "at": "2031-05-04T12:00:00Z"}
    edge = uuid.uuid4().hex
    parts = [f'--{edge}\r\nContent-Disposition: form-data; name="{k}"\r\n\r\n{v}\r\n' for k, v in fields.items()]
    file = f'--{edge}\r\nContent-Disposition: form-data; name="file"; filename="a.jpg"\r\n\r\n'
    body = "".join(parts).encode() + file.encode() + out.getvalue() + f"\r\n--{edge}--\r\n".encode()
    with closing(http.client.HTTPConnection("127.0.0.1", server.port, timeout=60)) as line:
        named = {**visitor.headers(), "Content-Type": f"multipart/form-data; boundary={edge}"}
        line.request("POST", "/api/jobs/10/pictures", body, named)
        answer = line.getresponse()
        assert answer.status == 200, answer.read()
        answer.read()


@pytest.mark.attack
def test_memory_is_level_over_twenty_minutes(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> None:
    chance = random.Random(4)
    with serving(copied(furnished, tmp_path_factory)) as server:
        assert server.process is not None
        process = psutil.Process(server.process.pid)
        person = Visitor(server, "machinist")
        gauge = next(one["id"] for one in person.ask("GET", "/api/gauges") if one["name"].startswith("50–75"))

        def look() -> None:
            fetch(server, person, f"/api/jobs/{chance.randint(1, 24)}")

        def open_page() -> None:
            next(person.listen(uuid.uuid4().hex, 4))

        load: tuple[tuple[int, Callable[[], None]], ...] = (
            (6, lambda: read(person, gauge, chance)),
            (6, look),
            (3, lambda: fetch(server, person, "/api/rack")),
            (2, lambda: fetch(server, person, f"/api/rack?search={chance.choice(('pump', 'knock', 'regrind'))}")),
            (1, lambda: fetch(server, person, f"/api/jobs/{chance.randint(1, 24)}/sheet.pdf")),
            (1, lambda: fetch(server, person, "/api/jobs/18/job.zip")),
            (1, lambda: photograph(server, person, chance)),
            (1, open_page),
        )
        start, minutes, asked = time.monotonic(), list[float](), 0
        while time.monotonic() - start < LASTS * 60:
            (one,) = chance.choices([act for _, act in load], [often for often, _ in load])
            one()
            asked += 1
            if time.monotonic() - start >= (len(minutes) + 1) * LASTS * 3:
                minutes.append(process.memory_info().rss / 1e6)
            time.sleep(0.1)
    told = " ".join(f"{mb:.0f}" for mb in minutes)
    print(f"{asked:,} requests of a mixed load in {LASTS:.0f} minutes; MB held, twenty times over: {told}")
    second, last = statistics.mean(minutes[5:10]), statistics.mean(minutes[-5:])
    assert last <= second * LEVEL
