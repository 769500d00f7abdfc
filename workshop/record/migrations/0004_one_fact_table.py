"""All facts in one table, each as the core's document; limits, plans and the rack's summary by sets.

The six tables of before are copied in landing order and stay where they are, untouched, for one release. If anything
of a job differs after the copy the migration stops, and SQLite takes all of it back.
"""

import json

import django.db.models.deletion
import django.utils.timezone
from django.db import migrations, models

import workshop.record.models
from halfthou.exchange.upgrade import limits_to_v4, part_of_v3

_KINDS = ("reading", "withdrawal", "observation", "sitting", "operation", "slip answer", "extension")
_OLD = {
    "reading": "ReadingRecord",
    "withdrawal": "WithdrawalRecord",
    "observation": "ObservationRecord",
    "sitting": "SittingRecord",
    "operation": "OperationRecord",
    "slip answer": "SlipAnswerRecord",
}


def _common(row):
    return {"id": row.key, "by": row.by, "at": row.at.isoformat()}


def _reading(row, pins):
    part, feature = part_of_v3(row.journal, row.feature, pins)
    return part, {
        **_common(row),
        "part": part,
        "feature": feature,
        "spot": row.spot,
        "count": row.nm,
        "typed": row.typed,
        "unit": row.unit,
        "gauge": row.gauge,
        "angle_deg": row.angle_deg,
        "planes": row.planes,
        "corrects": row.corrects or None,
        "repeats": row.repeats or None,
        "sitting": row.sitting or None,
        "caps_torqued": row.caps_torqued,
        "plate_fitted": row.plate_fitted,
        "cleaned": row.cleaned,
        "meant": row.meant,
        "by_button": row.by_button,
    }


def _withdrawal(row, _pins):
    return "", {**_common(row), "fact": row.fact}


def _observation(row, _pins):
    return row.on, {
        **_common(row),
        "on": row.on,
        "look": row.look,
        "answer": row.answer,
        "depth": row.depth_nm,
        "typed": row.typed,
        "spot": row.spot or None,
    }


def _sitting(row, _pins):
    return "", {**_common(row), "part_c": row.part_c, "gauge_c": row.gauge_c, "condition": row.condition}


def _operation(row, _pins):
    return row.on, {**_common(row), "kind": row.kind, "on": row.on, "step": row.undersize_nm, "note": row.note}


def _slip_answer(row, _pins):
    return "", {
        **_common(row),
        "reading": row.reading,
        "slip": row.slip,
        "offered": row.offered_nm,
        "taken": row.taken,
    }


_MADE = {
    "reading": _reading,
    "withdrawal": _withdrawal,
    "observation": _observation,
    "sitting": _sitting,
    "operation": _operation,
    "slip answer": _slip_answer,
}


def _in_landing_order(apps, job):
    """Every fact of a job: within a kind as it was numbered, the kinds among each other by when they landed."""
    found = []
    for place, (kind, model) in enumerate(_OLD.items()):
        latest = None
        for row in apps.get_model("jobs", model).objects.filter(job_id=job).order_by("pk").iterator():
            latest = row.landed_at if latest is None else max(latest, row.landed_at)
            found.append((latest, place, row.pk, kind, row))
    return [(kind, row) for _, _, _, kind, row in sorted(found, key=lambda one: one[:3])]


def _pins(job):
    sheet = job.frozen_limits or (job.limits.document if job.limits_id else {})
    return [pin["cylinders"] for pin in sheet.get("layout", {}).get("pins", [])]


def copy_facts(apps, schema_editor):
    """Copy the facts of every job, then read them back and hold them against what they were."""
    facts = apps.get_model("jobs", "FactRecord")
    for job in apps.get_model("jobs", "JobRecord").objects.select_related("limits").iterator():
        pins, wanted = _pins(job), []
        for kind, row in _in_landing_order(apps, job.pk):
            part, document = _MADE[kind](row, pins)
            wanted.append((row.key, kind, part, document, row.by, row.at, row.landed_at))
        facts.objects.bulk_create(
            (
                facts(
                    job_id=job.pk, key=key, kind=kind, part=part, document=document, by=by, at=at, landed_at=landed
                )
                for key, kind, part, document, by, at, landed in wanted
            ),
            batch_size=1000,
        )
        kept = facts.objects.filter(job_id=job.pk).order_by("pk").values_list("key", "kind", "document")
        if list(kept) != [(key, kind, json.loads(json.dumps(document))) for key, kind, _, document, *_ in wanted]:
            raise RuntimeError(f"the facts of job {job.number} are not the same after the copy: nothing was changed")


def by_sets(apps, schema_editor):
    """Plans, limits and the rack's summary by sets."""
    for job in apps.get_model("jobs", "JobRecord").objects.iterator():
        job.plans = {"mains": job.mains_plan, "rods": job.rods_plan}
        job.frozen_limits = limits_to_v4(job.frozen_limits)
        job.sets = [
            {"set": one, "mark": getattr(job, f"{one}_mark"), "headline": getattr(job, f"{one}_headline")}
            for one in ("mains", "rods")
            if getattr(job, f"{one}_mark")
        ]
        job.save(update_fields=["plans", "frozen_limits", "sets"])


#: Facts are only ever added. One may go only with its whole job.
_NO_CHANGE = """
CREATE TRIGGER fact_is_never_changed BEFORE UPDATE ON jobs_factrecord
BEGIN SELECT RAISE(ABORT, 'a fact is never changed'); END
"""
_NO_REMOVAL = """
CREATE TRIGGER fact_is_never_removed BEFORE DELETE ON jobs_factrecord
WHEN EXISTS (SELECT 1 FROM jobs_jobrecord WHERE id = OLD.job_id)
BEGIN SELECT RAISE(ABORT, 'a fact is never removed'); END
"""


class Migration(migrations.Migration):
    dependencies = [("jobs", "0003_judged_right"), ("limits", "0003_by_sets")]

    operations = [
        migrations.CreateModel(
            name="FactRecord",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("key", models.CharField(max_length=64)),
                (
                    "kind",
                    models.CharField(
                        choices=[(kind, kind.title()) for kind in _KINDS],
                        max_length=20,
                    ),
                ),
                ("part", models.CharField(blank=True, max_length=40)),
                ("document", models.JSONField()),
                ("by", models.CharField(max_length=150)),
                ("at", models.DateTimeField()),
                ("landed_at", models.DateTimeField(default=django.utils.timezone.now)),
                (
                    "job",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="facts", to="jobs.jobrecord"
                    ),
                ),
            ],
            options={
                "constraints": [
                    models.UniqueConstraint(fields=("job", "key"), name="one_fact"),
                    models.CheckConstraint(condition=models.Q(kind__in=_KINDS), name="known_kind"),
                    models.CheckConstraint(condition=models.Q(document__isnull=False), name="a_document"),
                ]
            },
        ),
        migrations.AddField(
            "jobrecord", "scope", models.JSONField(default=workshop.record.models.crank_only)
        ),
        migrations.AddField("jobrecord", "plans", models.JSONField(default=dict)),
        migrations.AddField("jobrecord", "sets", models.JSONField(default=list)),
        migrations.RunPython(copy_facts, migrations.RunPython.noop),
        migrations.RunPython(by_sets, migrations.RunPython.noop),
        migrations.RunSQL(_NO_CHANGE, "DROP TRIGGER fact_is_never_changed"),
        migrations.RunSQL(_NO_REMOVAL, "DROP TRIGGER fact_is_never_removed"),
        *(
            migrations.RemoveField("jobrecord", name)
            for name in ("mains_plan", "rods_plan", "mains_mark", "mains_headline", "rods_mark", "rods_headline")
        ),
        migrations.RenameField("decisionrecord", "journal", "part"),
        migrations.RenameField("decisionrecord", "undersize_nm", "step_nm"),
        migrations.AlterField("decisionrecord", "part", models.CharField(blank=True, max_length=40)),
        migrations.AlterField("decisionrecord", "set", models.CharField(max_length=40)),
        # The program knows the old tables no more; the tables themselves go a release later.
        migrations.SeparateDatabaseAndState(
            state_operations=[migrations.DeleteModel(name) for name in (*_OLD.values(), "FactName")]
        ),
    ]
