"""Limits sheets in the form of version 4: every set by its name, its figures by their keys."""

from django.db import migrations

from halfthou.exchange.upgrade import limits_to_v4


def by_sets(apps, schema_editor):
    """Bring every revision to the present form."""
    for revision in apps.get_model("limits", "SheetRevision").objects.iterator():
        revision.document = limits_to_v4(revision.document)
        revision.save(update_fields=["document"])


class Migration(migrations.Migration):
    dependencies = [("limits", "0002_versions")]

    operations = [migrations.RunPython(by_sets, migrations.RunPython.noop)]
