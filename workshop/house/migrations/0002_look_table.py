"""The house's table of looks, every version of it."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("house", "0001_initial")]

    operations = [
        migrations.CreateModel(
            name="LookTableRecord",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("document", models.JSONField()),
                ("by", models.CharField(max_length=150)),
                ("at", models.DateTimeField(auto_now_add=True)),
            ],
            options={"get_latest_by": "id"},
        ),
    ]
