"""Jobs and their facts. Facts are only ever added; the summary on a job is for the rack and judges nothing."""

from django.db import models

from workshop.limits.models import SheetRevision


class Stage(models.TextChoices):
    """Where a job stands, a mark on a rule."""

    BOOKED_IN = "booked in"
    MEASURING = "measuring"
    DECIDING = "deciding"
    SIGNED = "signed"


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
    frozen_house_rules = models.JSONField(null=True, blank=True)
    own_gauges = models.JSONField(default=list)
    own_checks = models.JSONField(default=list)
    mains_plan = models.JSONField()
    rods_plan = models.JSONField()
    archived = models.BooleanField(default=False, db_index=True)
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
    mains_mark = models.CharField(max_length=20, blank=True)
    mains_headline = models.CharField(max_length=200, blank=True)
    rods_mark = models.CharField(max_length=20, blank=True)
    rods_headline = models.CharField(max_length=200, blank=True)
    changed_at = models.DateTimeField(auto_now=True)

    class Meta:
        indexes = [models.Index(fields=("archived", "due", "id"), name="rack_order")]

    def __str__(self) -> str:
        return f"{self.number} {self.title}"


class Fact(models.Model):
    """What is common to all facts: the name its reporter gave it, who, when, and when it landed."""

    key = models.CharField(max_length=64)
    by = models.CharField(max_length=150)
    at = models.DateTimeField()
    landed_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        abstract = True


class FactName(models.Model):
    """The names of a job's facts, over all kinds: one name is one fact's for good."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="fact_names")
    key = models.CharField(max_length=64)

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_fact_name")]

    def __str__(self) -> str:
        return self.key


class ReadingRecord(Fact):
    """One reading."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="readings")
    journal = models.CharField(max_length=4)
    feature = models.CharField(max_length=20, default="journal")
    spot = models.CharField(max_length=3)
    nm = models.BigIntegerField()
    typed = models.CharField(max_length=200)
    unit = models.CharField(max_length=2)
    gauge = models.CharField(max_length=64)
    angle_deg = models.FloatField(null=True, blank=True)
    planes = models.PositiveSmallIntegerField(null=True, blank=True)
    corrects = models.CharField(max_length=64, blank=True)
    repeats = models.CharField(max_length=64, blank=True)
    sitting = models.CharField(max_length=64, blank=True)
    caps_torqued = models.BooleanField(null=True, blank=True)
    plate_fitted = models.BooleanField(null=True, blank=True)
    cleaned = models.BooleanField(null=True, blank=True)
    meant = models.CharField(max_length=200, blank=True)
    by_button = models.BooleanField(default=False)

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_reading")]

    def __str__(self) -> str:
        return f"{self.journal} {self.spot} {self.typed}"


class WithdrawalRecord(Fact):
    """A reading or an operation taken back."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="withdrawals")
    fact = models.CharField(max_length=64)

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_withdrawal")]

    def __str__(self) -> str:
        return f"{self.fact} withdrawn"


class ObservationRecord(Fact):
    """One thing seen."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="observations")
    on = models.CharField(max_length=10)
    look = models.CharField(max_length=30)
    answer = models.CharField(max_length=100)
    depth_nm = models.BigIntegerField(null=True, blank=True)
    typed = models.CharField(max_length=200, blank=True)
    spot = models.CharField(max_length=3, blank=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_observation")]

    def __str__(self) -> str:
        return f"{self.on} {self.look}: {self.answer}"


class SittingRecord(Fact):
    """How warm part and gauge were in one sitting."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="sittings")
    part_c = models.FloatField(null=True, blank=True)
    gauge_c = models.FloatField(null=True, blank=True)
    condition = models.CharField(max_length=40)

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_sitting")]

    def __str__(self) -> str:
        return f"{self.part_c} {self.condition}"


class OperationRecord(Fact):
    """An operation done."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="operations")
    kind = models.CharField(max_length=40)
    on = models.CharField(max_length=10)
    undersize_nm = models.BigIntegerField(null=True, blank=True)
    note = models.TextField(blank=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_operation")]

    def __str__(self) -> str:
        return f"{self.kind} {self.on}"


class SlipAnswerRecord(Fact):
    """What a person said to "did you mean"."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="slip_answers")
    reading = models.CharField(max_length=64)
    slip = models.CharField(max_length=200)
    offered_nm = models.BigIntegerField(null=True, blank=True)
    taken = models.BooleanField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=("job", "key"), name="one_slip_answer")]

    def __str__(self) -> str:
        return f"{self.reading} {'taken' if self.taken else 'kept'}"


class DecisionRecord(Fact):
    """A person's decision. A later one for the same set or journal takes its place; none is erased."""

    job = models.ForeignKey(JobRecord, on_delete=models.CASCADE, related_name="decisions")
    kind = models.CharField(max_length=20)
    set = models.CharField(max_length=10)
    journal = models.CharField(max_length=4, blank=True)
    about = models.CharField(max_length=20, blank=True)
    action = models.CharField(max_length=30, blank=True)
    undersize_nm = models.BigIntegerField(null=True, blank=True)
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
