"""The rack with 2,000 jobs and 50,000 readings: how long its first page takes, and the server's memory.

The figures: milliseconds from sending the request to having the whole answer, over the loopback, the median of 50
requests in one run; and the server process's resident memory after them, in megabytes.
"""

import statistics
import sys
import time
from pathlib import Path

import psutil
from playwright.sync_api import sync_playwright

sys.path.insert(0, str(Path(__file__).parents[1]))
from bench.furnished import demo_shop
from bench.told import told
from tests.serving import manage, serving

FILL = """
from django.utils import timezone
from workshop.record.models import FactRecord, JobRecord
model = JobRecord.objects.get(number="44")
rows = list(model.facts.filter(kind="reading"))
jobs = []
for n in range(2000):
    job = JobRecord.objects.get(pk=model.pk)
    job.pk, job.number, job.title = None, f"B{n}", f"Engine {n}"
    jobs.append(job)
JobRecord.objects.bulk_create(jobs, batch_size=500)
made = list(JobRecord.objects.filter(number__startswith="B"))
batch = []
for job in made:
    for n in range(25):
        row = rows[n % len(rows)]
        batch.append(FactRecord(job=job, key=f"{n}", kind=row.kind, part=row.part,
                                document={**row.document, "id": f"{n}"}, by=row.by, at=row.at))
    if len(batch) >= 20000:
        FactRecord.objects.bulk_create(batch, batch_size=2000); batch = []
FactRecord.objects.bulk_create(batch, batch_size=2000)
print(JobRecord.objects.count(), "jobs,", FactRecord.objects.count(), "readings")
"""

with demo_shop() as folder:
    print(manage(folder, "shell", "-c", FILL).strip())
    with serving(folder) as server, sync_playwright() as play:
        browser = play.request.new_context(base_url=server.url)
        token = {
            c["name"]: c["value"] for c in (browser.get("/api/session"), browser.storage_state())[1]["cookies"]
        }
        browser.post(
            "/api/session",
            data={"name": "owner", "password": "owner-half-thou"},
            headers={"X-CSRFToken": token["csrftoken"]},
        )
        times = []
        for _ in range(50):
            start = time.perf_counter()
            answer = browser.get("/api/rack")
            body = answer.json()
            times.append((time.perf_counter() - start) * 1000)
            assert len(body["jobs"]) == 50, body
        memory = psutil.Process(server.process.pid).memory_info().rss / 1e6
        told(f"rack of {body['total']:,} jobs, first page", statistics.median(times), "ms", 30)
        told("the server's memory after it", memory, "MB", 250, speed=False)
