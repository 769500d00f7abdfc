"""The address map: the API, the printed pages, and the one page that everything else is."""

from django.urls import path, re_path

from workshop.config.api import api
from workshop.pages.views import app_page

urlpatterns = [
    path("api/", api.urls),
    re_path(r"^(?!api/|assets/|static/).*$", app_page),
]
