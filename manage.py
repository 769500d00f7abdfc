"""Django's command line for the workshop."""

import os
import sys

from django.core.management import execute_from_command_line
from django.db.utils import DatabaseError

if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "workshop.config.settings")
    try:
        execute_from_command_line(sys.argv)
    except (DatabaseError, OSError) as error:
        # One plain sentence for whoever runs the server, not a traceback.
        place = os.environ.get("DATA_DIR", "data")
        sys.exit(
            f"The data in {place} cannot be used: {error}. Look whether the disk is full or not writable; "
            "make restore FILE=... puts a backup back."
        )
