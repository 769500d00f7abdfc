"""Settings of the workshop. What differs between shops comes from the environment."""

import contextlib
import os
import secrets
import socket
from pathlib import Path

import environ
from csp.constants import NONCE, NONE, SELF

BASE_DIR = Path(__file__).resolve().parent.parent.parent
env = environ.Env(
    DEBUG=(bool, False),
    DATA_DIR=(str, str(BASE_DIR / "data")),
    DEMO=(bool, False),
    HOST=(str, "127.0.0.1"),
    # Names this server is asked for under, besides the address it binds to.
    SERVED_AS=(list, []),
    # Whether TLS stands before it: cookies then travel by TLS only.
    TLS=(bool, False),
    # Hosts other than this machine that gauges may speak from.
    GAUGE_HOSTS=(str, ""),
)
DATA_DIR = Path(env("DATA_DIR"))
WEB_DIST = BASE_DIR / "web" / "dist"
FONT_DIR = BASE_DIR / "web" / "node_modules" / "@fontsource"


# What this process writes is its owner's alone: the data, its copies, its keys.
os.umask(0o077)


def _kept_key(name: str) -> str:
    """A key of this installation, made at the first start and kept beside its data."""
    place = DATA_DIR / name
    if not place.exists():
        DATA_DIR.mkdir(parents=True, exist_ok=True, mode=0o700)
        place.write_text(secrets.token_urlsafe(50))
        place.chmod(0o600)
    return place.read_text()


SECRET_KEY = env("SECRET_KEY", default=None) or _kept_key("secret-key")
#: By this key the gauge bridge is known.
BRIDGE_KEY = _kept_key("bridge-key")
DEBUG = env("DEBUG")
DEMO = env("DEMO")
TLS = env("TLS")
GAUGE_HOSTS = frozenset(env("GAUGE_HOSTS").replace(",", " ").lower().split())


def _own_names() -> list[str]:
    """The names and addresses this server answers to: all of this machine's where it binds to all of them."""
    names = ["127.0.0.1", "localhost", "[::1]", "testserver", env("HOST"), *env("SERVED_AS")]
    if env("HOST") in ("0.0.0.0", "::"):  # noqa: S104 - what the owner asked for, not a default
        here = socket.gethostname()
        names += [here, socket.getfqdn(), f"{here}.local"]
        with contextlib.suppress(OSError):
            names += [str(found[4][0]) for found in socket.getaddrinfo(here, None)]
        # The address that faces the net: a datagram socket that is pointed somewhere sends nothing.
        with contextlib.suppress(OSError), socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
            probe.connect(("192.0.2.1", 9))
            names.append(probe.getsockname()[0])
    return sorted({name for name in names if name and name not in ("0.0.0.0", "::")})  # noqa: S104


ALLOWED_HOSTS = _own_names()
CSRF_TRUSTED_ORIGINS: list[str] = [f"https://{name}" for name in env("SERVED_AS")] if TLS else []
if TLS:
    SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
    SECURE_SSL_REDIRECT = True
    SECURE_HSTS_SECONDS = 31_536_000
    SECURE_HSTS_INCLUDE_SUBDOMAINS = True
    SECURE_HSTS_PRELOAD = True
    SECURE_REDIRECT_EXEMPT = [r"^api/live/bridge/"]
    SESSION_COOKIE_SECURE = True
    CSRF_COOKIE_SECURE = True

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "axes",
    "csp",
    "ninja",
    "workshop.people",
    "workshop.limits",
    "workshop.gauges",
    "workshop.house",
    "workshop.live",
    "workshop.record",
    "workshop.pages",
    "demo",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "workshop.config.packed.PackedJson",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "csp.middleware.CSPMiddleware",
    "axes.middleware.AxesMiddleware",
]
ROOT_URLCONF = "workshop.config.urls"
TEMPLATES = [{"BACKEND": "django.template.backends.django.DjangoTemplates", "DIRS": [], "APP_DIRS": True}]
DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": str(DATA_DIR / "halfthou.sqlite3"),
        # Each thread keeps its connection: opening one anew costs as much as all the questions of a request.
        "CONN_MAX_AGE": None,
        "OPTIONS": {
            "timeout": 10,
            "transaction_mode": "IMMEDIATE",
            # FULL: an acknowledged reading survives a power cut.
            "init_command": (
                "PRAGMA journal_mode=WAL;PRAGMA synchronous=FULL;PRAGMA busy_timeout=10000;PRAGMA foreign_keys=ON;"
            ),
        },
    }
}
AUTH_USER_MODEL = "people.Person"
AUTHENTICATION_BACKENDS = ["axes.backends.AxesStandaloneBackend", "django.contrib.auth.backends.ModelBackend"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator"},
    {"NAME": "workshop.people.passwords.CommonWithDates"},
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
]
AXES_FAILURE_LIMIT = 5
AXES_COOLOFF_TIME = 0.25
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_LOCKOUT_CALLABLE = "workshop.people.api.locked_out"
AXES_RESET_ON_SUCCESS = True
AXES_VERBOSE = False
AXES_CLIENT_IP_CALLABLE = "workshop.people.api.address_of"
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"
USE_TZ = True
TIME_ZONE = env("TIME_ZONE", default="UTC")
DATA_UPLOAD_MAX_MEMORY_SIZE = 20_000_000
STATIC_URL = "/static/"
WHITENOISE_ROOT = WEB_DIST
WHITENOISE_INDEX_FILE = False


def WHITENOISE_IMMUTABLE_FILE_TEST(path: str, url: str) -> bool:  # noqa: ARG001
    """Vite puts a hash in the name of every file under /assets/."""
    return url.startswith("/assets/")


#: One process serves: sessions are read from its memory, and kept in the database.
SESSION_ENGINE = "django.contrib.sessions.backends.cached_db"
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
SECURE_REFERRER_POLICY = "same-origin"
CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [SELF],
        "script-src": [SELF, NONCE],
        "style-src": [SELF, NONCE],
        "img-src": [SELF, "data:"],
        "font-src": [SELF],
        "connect-src": [SELF],
        "base-uri": [NONE],
        "form-action": [SELF],
        "frame-ancestors": [NONE],
    }
}
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "handlers": {"console": {"class": "logging.StreamHandler"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
}
