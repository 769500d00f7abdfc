"""The gauge list."""

from django.db import models


class GaugeRecord(models.Model):
    """A gauge of the shop, as the core's document. `key` is its lasting id inside jobs."""

    key = models.CharField(max_length=64, unique=True)
    document = models.JSONField()
    retired = models.BooleanField(default=False)
    version = models.PositiveIntegerField(default=0)
    changed_by = models.CharField(max_length=150)
    changed_at = models.DateTimeField(auto_now=True)

    def __str__(self) -> str:
        return str(self.document["name"])


class SettingCheckRecord(models.Model):
    """A setting check, as the core's document. Checks are only ever added."""

    key = models.CharField(max_length=64, unique=True)
    gauge = models.CharField(max_length=64)
    at = models.DateTimeField()
    document = models.JSONField()

    class Meta:
        indexes = [models.Index(fields=("gauge", "at"), name="checks_of_gauge")]

    def __str__(self) -> str:
        return f"{self.gauge} {self.at:%Y-%m-%d}"
