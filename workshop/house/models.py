"""The shop's house rules, every version of them."""

from django.db import models


class HouseRulesRecord(models.Model):
    """One version; the newest counts."""

    document = models.JSONField()
    by = models.CharField(max_length=150)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        get_latest_by = "id"

    def __str__(self) -> str:
        return f"House rules of {self.at:%Y-%m-%d} by {self.by}"


class LookTableRecord(models.Model):
    """One version of the table of looks; the newest counts."""

    document = models.JSONField()
    by = models.CharField(max_length=150)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        get_latest_by = "id"

    def __str__(self) -> str:
        return f"Table of looks of {self.at:%Y-%m-%d} by {self.by}"


class StripEditsRecord(models.Model):
    """One version of what the house changes in every strip list; the newest counts."""

    document = models.JSONField()
    by = models.CharField(max_length=150)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        get_latest_by = "id"

    def __str__(self) -> str:
        return f"Strip list of {self.at:%Y-%m-%d} by {self.by}"


class ShopRecord(models.Model):
    """One version of the shop as its paper names it; the newest counts."""

    document = models.JSONField()
    by = models.CharField(max_length=150)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        get_latest_by = "id"

    def __str__(self) -> str:
        return f"The shop of {self.at:%Y-%m-%d} by {self.by}"
