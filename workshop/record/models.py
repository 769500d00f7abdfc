"""Jobs and their facts. Facts are only ever added; the summary on a job is for the rack and judges nothing."""

from collections.abc import Sequence
from typing import Any

from django.db import models
from django.db.backends.base.base import BaseDatabaseWrapper
from django.utils import timezone

from halfthou.jobs import CRANK_ONLY, FACT_KINDS
from workshop.limits.models import DescriptionRevision, SheetRevision


class Stage(models.TextChoices):
    """Where a job stands, a mark on a rule."""

    BOOKED_IN = "booked in"
    STRIPPING = "stripping"
    MEASURING = "measuring"
    DECIDING = "deciding"
    SIGNED = "signed"
    HANDED_OVER = "handed over"


def crank_only() -> list[str]:
    """What a job judges where nothing else was chosen."""
    return list(CRANK_ONLY)


class JobRecord(models.Model):
    """One engine in the shop."""

    number = models.CharField(max_length=40, unique=True)
    title = models.CharField(max_length=200)
    customer = models.CharField(max_length=200, blank=True)
    complaint = models.TextField(blank=True)
    booked_in = models.DateField()
    due = models.DateField(null=True, blank=True)
    entry_unit = models.CharField(max_length=2)
    limits = models.ForeignKey(SheetRevision, null=True, blank=True, on_delete=models.PROTECT)
    frozen_limits = models.JSONField(null=True, blank=True)
    # The engine as it is described, where that is not as its limits sheet has it.
    description = models.ForeignKey(DescriptionRevision, null=True, blank=True, on_delete=models.PROTECT)
    # What is changed in the strip list of this one engine.
    strip_edits = models.JSONField(null=True, blank=True)
    frozen_house_rules = models.JSONField(null=True, blank=True)
    frozen_look_table = models.JSONField(null=True, blank=True)
    own_gauges = models.JSONField(default=list)
    own_checks = models.JSONField(default=list)
    # The sets it judges as booked in, and the measuring plan of each where one was chosen.
    scope = models.JSONField(default=crank_only)
    plans = models.JSONField(default=dict)
    archived = models.BooleanField(default=False, db_index=True)
    # Why a job that was booked by mistake is put away for good; it stays in the record.
    put_away = models.TextField(blank=True, default="")
    # How often anything of the job has changed: what was worked out of an older state is not written over a newer.
    version = models.PositiveIntegerField(default=0)
    # How often the card was changed, so that a second writer is told.
    card_version = models.PositiveIntegerField(default=0)
    # The rack's summary: written with each fact, rebuilt by `manage.py rebuild_rack`.
    stage = models.CharField(max_length=20, choices=Stage.choices, default=Stage.BOOKED_IN)
    waits_for = models.CharField(max_length=200, blank=True)
    doubts = models.PositiveIntegerField(default=0)
    taken = models.PositiveIntegerField(default=0)
    planned = models.PositiveIntegerField(default=0)
    engine = models.CharField(max_length=200, blank=True)
    # For each set judged: its name, mark and headline.
    sets = models.JSONField(default=list)
    changed_at = models.DateTimeField(auto_now=True)

    class Meta:
        indexes = [models.Index(fields=("archived", "due", "id"), name="rack_order")]

    def __str__(self) -> str:
        return f"{self.number} {self.title}"


class NoSuchKind(ValueError):
    """A row is to be written of a kind of fact that no entry declares."""

    def __init__(self, name: object) -> None:
        super().__init__(f"“{name}” is no kind of fact that this version knows")


class KindOfFact(models.CharField):  # type: ignore[type-arg]
    """The name of a kind of fact. What is written must be a kind that an entry declares."""

    def get_db_prep_save(self, value: Any, connection: BaseDatabaseWrapper) -> Any:
        """The name as it is written. Refuses: NoSuchKind."""
        if value not in FACT_KINDS:
            raise NoSuchKind(value)
        return super().get_db_prep_save(value, connection)

    def deconstruct(self) -> tuple[str, str, Sequence[Any], dict[str, Any]]:
        """In the database it is a text: a new kind asks for no migration."""
        name, _path, args, kwargs = super().deconstruct()
        return name, "django.db.models.CharField", args, kwargs


class FactRecord(models.Model):
    """One fact of a job: what a person or gauge reported, as the core's document. Rows are only ever added:
    triggers of the migration refuse every change of one, and its removal while its job stands. Which kinds
    there are the entries of the core say: a new one needs no migration."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="facts")
    key = models.CharField(max_length=64)
    kind = KindOfFact(max_length=20)
    part = models.CharField(max_length=40, blank=True)
    document = models.JSONField()
    by = models.CharField(max_length=150)
    at = models.DateTimeField()
    landed_at = models.DateTimeField(default=timezone.now)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=("job", "key"), name="one_fact"),
            models.CheckConstraint(condition=models.Q(document__isnull=False), name="a_document"),
        ]

    def __str__(self) -> str:
        return f"{self.kind} {self.key}"


class DecisionRecord(models.Model):
    """A person's decision. A later one for the same set or part takes its place; none is erased."""

    key = models.CharField(max_length=64)
    by = models.CharField(max_length=150)
    at = models.DateTimeField()
    landed_at = models.DateTimeField(auto_now_add=True)

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="decisions")
    kind = models.CharField(max_length=20)
    set = models.CharField(max_length=40)
    part = models.CharField(max_length=40, blank=True)
    about = models.CharField(max_length=20, blank=True)
    action = models.CharField(max_length=30, blank=True)
    step_nm = models.BigIntegerField(null=True, blank=True)
    others = models.JSONField(default=dict, blank=True)
    follows = models.BooleanField(default=False)
    words = models.TextField(blank=True)
    reason = models.TextField(blank=True)
    made_elsewhere = models.BooleanField(default=False)

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_decision")]

    def __str__(self) -> str:
        return f"{self.set} {self.kind}: {self.words}"


class SignatureRecord(models.Model):
    """A signed sheet, with what was signed as it stood."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="signatures")
    revision = models.PositiveIntegerField()
    by = models.CharField(max_length=150)
    at = models.DateTimeField()
    withdrawn_by = models.CharField(max_length=150, blank=True)
    withdrawn_at = models.DateTimeField(null=True, blank=True)
    withdrawn_because = models.TextField(blank=True)
    made_elsewhere = models.BooleanField(default=False)
    sheet = models.JSONField()

    class Meta:
        ordering = ("revision",)
        constraints = [models.UniqueConstraint(fields=("job", "revision"), name="one_signature")]

    def __str__(self) -> str:
        return f"Revision {self.revision} signed by {self.by}"


class HistoryEntry(models.Model):
    """Who did what to a job, in words; refusals of weight too."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="history")
    by = models.CharField(max_length=150)
    at = models.DateTimeField(auto_now_add=True)
    words = models.TextField()

    def __str__(self) -> str:
        return self.words


class Customer(models.Model):
    """Whose engine it is: how the customer is called on cards, and how he is reached."""

    name = models.CharField(max_length=200, unique=True)
    reach = models.TextField(blank=True)

    def __str__(self) -> str:
        return self.name


class PictureRenamed(models.Model):
    """A picture that was cleaned of what its camera wrote: facts on record name it by its old hash, its file lies
    under the new one."""

    old = models.CharField(max_length=64, primary_key=True)
    new = models.CharField(max_length=64)

    def __str__(self) -> str:
        return f"{self.old[:12]} is {self.new[:12]} now"
