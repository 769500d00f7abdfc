"""A decision may give single journals another size, and say about which axis they are ground."""

from importlib import import_module

from django.db import migrations, models

#: SQLite makes a table with another column anew, without its triggers: this one is set again.
NAME = "decision_is_found"
DOES = import_module("workshop.record.migrations.0010_found_and_customers").TRIGGERS[NAME]
OFF, ON = f"DROP TRIGGER IF EXISTS {NAME}", f"CREATE TRIGGER {NAME} {DOES}"


class Migration(migrations.Migration):
    dependencies = [("jobs", "0011_described")]

    operations = [
        migrations.RunSQL(OFF, ON),
        migrations.AddField("decisionrecord", "follows", models.BooleanField(default=False)),
        migrations.AddField("decisionrecord", "others", models.JSONField(blank=True, default=dict)),
        migrations.RunSQL(ON, OFF),
    ]
