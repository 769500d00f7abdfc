"""What is wrong with what was said at the door: a question nobody asks, an answer that is none."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.door.topics import BY_KEY
from halfthou.jobs import Job, Statement


def faults_of_statement(said: Statement) -> Iterator[str]:
    """What is wrong with one statement, in words."""
    topic = BY_KEY.get(said.topic)
    if topic is None:
        yield f"nobody asks for “{said.topic}” at the door"
    elif said.answer not in topic.answers and not topic.free:
        yield f"“{said.answer}” is no answer to: {topic.question}. Choose one of {', '.join(topic.answers)}"


def faults_at_the_door(job: Job) -> Iterator[str]:
    """What is wrong with the statements of a job."""
    for said in job.statements:
        for fault in faults_of_statement(said):
            yield f"statement {said.id}: {fault}"
