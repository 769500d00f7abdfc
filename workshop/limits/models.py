"""The limits library: an engine's sheet and its revisions."""

from django.db import models


class Sheet(models.Model):
    """The limits of one engine."""

    engine = models.CharField(max_length=200, unique=True)

    def __str__(self) -> str:
        return self.engine


class SheetRevision(models.Model):
    """One revision, as the core's document. It is frozen once a job judged by it is signed."""

    sheet = models.ForeignKey(Sheet, on_delete=models.CASCADE, related_name="revisions")
    number = models.PositiveIntegerField()
    document = models.JSONField()
    frozen = models.BooleanField(default=False)
    version = models.PositiveIntegerField(default=0)
    changed_by = models.CharField(max_length=150)
    changed_at = models.DateTimeField(auto_now=True)

    class Meta:
        ordering = ("sheet__engine", "number")
        constraints = [models.UniqueConstraint(fields=("sheet", "number"), name="one_sheet_revision")]

    def __str__(self) -> str:
        return f"{self.sheet} revision {self.number}"
