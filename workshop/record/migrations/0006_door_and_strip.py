"""Facts from the door and the strip, pictures, and the hand-over; two more stages; the table of looks a job came with.

SQLite makes a table with another check anew: the triggers that guard the facts go with the old one and are set again.
"""

from django.db import migrations, models

_KINDS = ("reading", "withdrawal", "observation", "sitting", "operation", "slip answer", "extension",
          "piece", "fitting", "use", "statement", "look", "stop point", "way on", "step", "mark", "laying",
          "removal", "fastener", "fragment", "closing", "picture", "hand over")
_STAGES = (("booked in", "Booked In"), ("stripping", "Stripping"), ("measuring", "Measuring"),
           ("deciding", "Deciding"), ("signed", "Signed"), ("handed over", "Handed Over"))
_OFF = ("DROP TRIGGER IF EXISTS fact_is_never_changed", "DROP TRIGGER IF EXISTS fact_is_never_removed")
_ON = (
    """
    CREATE TRIGGER fact_is_never_changed BEFORE UPDATE ON jobs_factrecord
    BEGIN SELECT RAISE(ABORT, 'a fact is never changed'); END
    """,
    """
    CREATE TRIGGER fact_is_never_removed BEFORE DELETE ON jobs_factrecord
    WHEN EXISTS (SELECT 1 FROM jobs_jobrecord WHERE id = OLD.job_id)
    BEGIN SELECT RAISE(ABORT, 'a fact is never removed'); END
    """,
)


class Migration(migrations.Migration):
    dependencies = [("jobs", "0005_pieces")]

    operations = [
        *(migrations.RunSQL(sql, migrations.RunSQL.noop) for sql in _OFF),
        migrations.RemoveConstraint("factrecord", "known_kind"),
        migrations.AlterField(
            "factrecord",
            "kind",
            models.CharField(choices=[(kind, kind.title()) for kind in _KINDS], max_length=20),
        ),
        migrations.AddConstraint(
            "factrecord",
            models.CheckConstraint(condition=models.Q(kind__in=_KINDS), name="known_kind"),
        ),
        migrations.AddField("jobrecord", "frozen_look_table", models.JSONField(blank=True, null=True)),
        migrations.AlterField(
            "jobrecord", "stage", models.CharField(choices=_STAGES, default="booked in", max_length=20)
        ),
        *(migrations.RunSQL(sql, migrations.RunSQL.noop) for sql in _ON),
    ]
