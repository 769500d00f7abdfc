"""The record of a job: its facts, how they are kept, and how one lands."""
