"""The limits library: an engine's sheet and its revisions."""

from django.db import models


class DescribedEngine(models.Model):
    """How one make of engine is built; several limits sheets may stand on it. `strip_edits` are what the house
    changes in the strip list of all such engines."""

    name = models.CharField(max_length=200, unique=True)
    strip_edits = models.JSONField(null=True, blank=True)

    def __str__(self) -> str:
        return self.name


class DescriptionRevision(models.Model):
    """One revision, as the core's document. It is frozen once a job that stands on it is signed."""

    description = models.ForeignKey(DescribedEngine, on_delete=models.CASCADE, related_name="revisions")
    number = models.PositiveIntegerField()
    document = models.JSONField()
    frozen = models.BooleanField(default=False)
    version = models.PositiveIntegerField(default=0)
    changed_by = models.CharField(max_length=150)
    changed_at = models.DateTimeField(auto_now=True)

    class Meta:
        ordering = ("description__name", "number")
        constraints = [
            models.UniqueConstraint(fields=("description", "number"), name="one_description_revision"),
        ]

    def __str__(self) -> str:
        return f"{self.description} revision {self.number}"


class Sheet(models.Model):
    """The limits of one engine."""

    engine = models.CharField(max_length=200, unique=True)

    def __str__(self) -> str:
        return self.engine


class SheetRevision(models.Model):
    """One revision, as the core's document. It is frozen once a job judged by it is signed."""

    sheet = models.ForeignKey(Sheet, on_delete=models.CASCADE, related_name="revisions")
    number = models.PositiveIntegerField()
    # The description it belongs to, where its layout was taken from one; the document holds that layout as it was.
    description = models.ForeignKey(DescriptionRevision, null=True, blank=True, on_delete=models.PROTECT)
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
