"""Pictures that came in a job's zip could carry what a camera or a program wrote beside their points. What is stored is
cleaned once: the file takes a new name, by its new hash; facts on record keep the old one, and this table answers it.
"""

import hashlib
import re
from pathlib import Path
from typing import Any

from django.conf import settings
from django.db import migrations, models

from halfthou.jobs import PictureKind
from workshop.record.bare import NotWhole, bare

_NAMED = re.compile(r"^([0-9a-f]{64})\.(jpg|png)$")


def clean_what_is_stored(apps: Any, _editor: Any) -> None:
    """Write each picture that is not bare once more, bare, under its new hash. The old file goes when the server starts."""
    renamed = apps.get_model("jobs", "PictureRenamed")
    for place in sorted((Path(settings.DATA_DIR) / "pictures").glob("??/*")):
        named = _NAMED.match(place.name)
        if named is None:
            continue
        content = place.read_bytes()
        try:
            cleaned = bare(content, PictureKind.PNG if named[2] == "png" else PictureKind.JPEG)
        except NotWhole:
            continue
        if cleaned == content or hashlib.sha256(content).hexdigest() != named[1]:
            continue
        new = hashlib.sha256(cleaned).hexdigest()
        folder = place.parent.parent / new[:2]
        folder.mkdir(exist_ok=True, mode=0o700)
        (folder / f"{new}.{named[2]}").write_bytes(cleaned)
        small = place.with_name(f"{named[1]}.small.jpg")
        if small.is_file():
            (folder / f"{new}.small.jpg").write_bytes(small.read_bytes())
        renamed.objects.create(old=named[1], new=new)


class Migration(migrations.Migration):
    dependencies = [("jobs", "0008_kinds_by_their_entries")]

    operations = [
        migrations.CreateModel(
            "PictureRenamed",
            [
                ("old", models.CharField(max_length=64, primary_key=True, serialize=False)),
                ("new", models.CharField(max_length=64)),
            ],
        ),
        migrations.RunPython(clean_what_is_stored, migrations.RunPython.noop),
    ]
