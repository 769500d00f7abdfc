"""The shop as its paper names it, over HTTP: name, address, picture."""

import base64

from django.http import HttpRequest
from ninja import File, Router, Schema
from ninja.files import UploadedFile

from halfthou.report import Letterhead
from workshop.house.shop import ShopForm, keep_shop, keep_shop_picture, shop_in_force, shop_version
from workshop.people.api import signed_in
from workshop.people.may import Act, must
from workshop.record.pictures import upright

router = Router(tags=["the shop"])


class ShopOut(Schema):
    """The shop as its paper names it, and which version it is."""

    version: int
    name: str
    address: str
    picture: str


def _out(shop: Letterhead) -> ShopOut:
    return ShopOut(version=shop_version(), name=shop.name, address=shop.address, picture=shop.picture)


@router.get("/shop", response=ShopOut)
def get_shop(request: HttpRequest) -> ShopOut:
    """The shop as its paper names it now."""
    signed_in(request)
    return _out(shop_in_force())


@router.put("/shop", response=ShopOut)
def put_shop(request: HttpRequest, given: ShopForm) -> ShopOut:
    """Say the shop's name and address."""
    return _out(keep_shop(signed_in(request), given))


@router.post("/shop/picture", response=ShopOut)
def put_picture(request: HttpRequest, file: File[UploadedFile]) -> ShopOut:
    """Put a picture at the head of every page: JPEG, PNG or WebP."""
    person = signed_in(request)
    must(person, Act.KEEP_HOUSE_RULES)
    small = base64.b64encode(upright(file.read()).small).decode()
    return _out(keep_shop_picture(person, f"data:image/jpeg;base64,{small}"))


@router.delete("/shop/picture", response=ShopOut)
def delete_picture(request: HttpRequest) -> ShopOut:
    """Take the picture off."""
    return _out(keep_shop_picture(signed_in(request), ""))
