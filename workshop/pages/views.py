"""The one page of the app, with its nonce."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.middleware.csrf import get_token


def app_page(request: HttpRequest) -> HttpResponse:
    """The page that loads the app. It holds no data of the shop."""
    get_token(request)
    html = (settings.WEB_DIST / "index.html").read_text(encoding="utf-8")
    response = HttpResponse(html.replace("__CSP_NONCE__", str(request.csp_nonce)))  # type: ignore[attr-defined]
    response["Cache-Control"] = "no-cache"
    return response
