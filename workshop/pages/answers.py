"""How a page for paper, a PDF and a table are answered over HTTP."""

from django.http import HttpRequest, HttpResponse

from workshop.pages.printing import pdf_of


def safe_name(name: str) -> str:
    """A name as a file may carry it on any system."""
    return "".join(c if c.isalnum() or c in "-._" else "-" for c in name)


def as_page(request: HttpRequest, html: str) -> HttpResponse:
    """A page to print, its own style let through."""
    nonce = str(request.csp_nonce)  # type: ignore[attr-defined]
    return HttpResponse(html.replace("<style>", f'<style nonce="{nonce}">'))


def as_pdf(html: str, name: str) -> HttpResponse:
    """A page as PDF under a name."""
    response = HttpResponse(pdf_of(html), content_type="application/pdf")
    response["Content-Disposition"] = f'inline; filename="{safe_name(name)}"'
    return response


def as_table(text: str, name: str) -> HttpResponse:
    """A table as CSV under a name."""
    response = HttpResponse(text, content_type="text/csv")
    response["Content-Disposition"] = f'attachment; filename="{safe_name(name)}"'
    return response
