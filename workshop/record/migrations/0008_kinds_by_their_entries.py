"""Which kinds of fact there are, their entries in the core say; the table's own check of them goes. Rows stay.

SQLite makes a table without a check anew: the triggers that guard the facts go with the old one and are set again.
"""

from django.db import migrations, models

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
    dependencies = [("jobs", "0007_evidence")]

    operations = [
        *(migrations.RunSQL(sql, migrations.RunSQL.noop) for sql in _OFF),
        migrations.RemoveConstraint("factrecord", "known_kind"),
        migrations.AlterField(
            "factrecord",
            "kind",
            models.CharField(max_length=20),
        ),
        *(migrations.RunSQL(sql, migrations.RunSQL.noop) for sql in _ON),
    ]
