"""Facts keep where they were taken, have one name over all kinds, and decisions say where they were made."""

import django.db.models.deletion
from django.db import migrations, models

_KINDS = (
    "ReadingRecord",
    "WithdrawalRecord",
    "ObservationRecord",
    "SittingRecord",
    "OperationRecord",
    "SlipAnswerRecord",
    "DecisionRecord",
)
_LETTERS = "abcdefgh"


def name_facts(apps, schema_editor):
    """Enter every fact's name. A name that two facts of a job have stands once: `check_data` points it out."""
    names = apps.get_model("jobs", "FactName")
    known = set()
    for kind in _KINDS:
        for job, key in apps.get_model("jobs", kind).objects.values_list("job_id", "key"):
            known.add((job, key))
    names.objects.bulk_create((names(job_id=job, key=key) for job, key in sorted(known)), batch_size=2000)


def place_readings(apps, schema_editor):
    """Give every reading of a journal the angle and planes of the plan it was taken by, where the plan has its spot."""
    readings = apps.get_model("jobs", "ReadingRecord").objects
    for job in apps.get_model("jobs", "JobRecord").objects.only("pk", "mains_plan", "rods_plan").iterator():
        for first, plan in (("M", job.mains_plan), ("R", job.rods_plan)):
            planes, angles = plan.get("planes", 2), plan.get("angles_deg", [0, 45, 90, 135])
            for letter, angle in zip(_LETTERS, angles):
                spots = [f"{plane}{letter}" for plane in range(1, planes + 1)]
                own = readings.filter(job=job, feature="journal", journal__startswith=first, spot__in=spots)
                own.update(angle_deg=float(angle), planes=planes)


def mark_what_came_in_files(apps, schema_editor):
    """Decisions that came with a job file were made elsewhere: they decide nothing here."""
    decisions = apps.get_model("jobs", "DecisionRecord").objects
    entries = apps.get_model("jobs", "HistoryEntry").objects.filter(words="took the job in from a file")
    for job, at in entries.values_list("job_id", "at"):
        decisions.filter(job_id=job, landed_at__lte=at).update(made_elsewhere=True)


class Migration(migrations.Migration):
    dependencies = [("jobs", "0002_trusted_readings")]

    operations = [
        migrations.AddField("jobrecord", "version", models.PositiveIntegerField(default=0)),
        migrations.AddField("jobrecord", "card_version", models.PositiveIntegerField(default=0)),
        migrations.AddField("readingrecord", "angle_deg", models.FloatField(blank=True, null=True)),
        migrations.AddField("readingrecord", "planes", models.PositiveSmallIntegerField(blank=True, null=True)),
        migrations.RenameField("withdrawalrecord", "reading", "fact"),
        migrations.AddField("decisionrecord", "about", models.CharField(blank=True, max_length=20)),
        migrations.AddField("decisionrecord", "made_elsewhere", models.BooleanField(default=False)),
        migrations.AddField("signaturerecord", "withdrawn_because", models.TextField(blank=True)),
        migrations.CreateModel(
            name="FactName",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("key", models.CharField(max_length=64)),
                (
                    "job",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="fact_names", to="jobs.jobrecord"
                    ),
                ),
            ],
            options={"constraints": [models.UniqueConstraint(fields=("job", "key"), name="one_fact_name")]},
        ),
        migrations.RunPython(place_readings, migrations.RunPython.noop),
        migrations.RunPython(name_facts, migrations.RunPython.noop),
        migrations.RunPython(mark_what_came_in_files, migrations.RunPython.noop),
    ]
