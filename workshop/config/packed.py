"""Answers in JSON travel packed: lists of an engine's steps are long, and come after each step."""

from django.http import HttpRequest
from django.http.response import HttpResponseBase
from django.middleware.gzip import GZipMiddleware


class PackedJson(GZipMiddleware):
    """Django's packing, for JSON alone: pictures and zips are packed already, and packing them again only costs."""

    def process_response(self, request: HttpRequest, response: HttpResponseBase) -> HttpResponseBase:
        """Pack the answer where it is JSON."""
        if not response.headers.get("Content-Type", "").startswith("application/json"):
            return response
        return super().process_response(request, response)
