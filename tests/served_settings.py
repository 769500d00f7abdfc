"""The workshop's settings for servers that tests start: passwords are hashed quickly. Hashing them slowly is the
database's guard, tried by nobody here; a second of it stood before every browser test."""

from workshop.config.settings import *  # noqa: F403

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
