"""The record as an app of Django: its tables keep the names they had."""

from django.apps import AppConfig


class Record(AppConfig):
    """The tables of jobs."""

    name = "workshop.record"
    label = "jobs"
