"""The address map: the API, the printed pages, and the one page that everything else is."""

from django.urls import path, re_path

from workshop.config.api import api
from workshop.pages.phone import camera_page
from workshop.pages.views import app_page

urlpatterns = [
    path("api/", api.urls),
    path("phone/<str:code>", camera_page),
    re_path(r"^(?!api/|assets/|static/).*$", app_page),
]
