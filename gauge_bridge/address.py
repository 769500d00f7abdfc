"""Which addresses a gauge's data port may have: serial devices of this machine, and sockets on hosts that are
named.

The text goes to pyserial, which opens files, spies and any host when it is asked to: so it is asked for these only.
"""

from __future__ import annotations

import ipaddress
import os
import re
import stat

_DEVICE = re.compile(r"/dev/(tty(S|USB|ACM|AMA|GS)\d{1,3}|rfcomm\d{1,2}|serial/by-id/[A-Za-z0-9._:+-]{1,200})")
_COM = re.compile(r"COM[1-9]\d{0,2}")
_SOCKET = re.compile(r"socket://(?P<host>[A-Za-z0-9.-]{1,253}|\[[0-9a-fA-F:]{2,45}\]):(?P<port>\d{1,5})")


class AddressRefused(ValueError):
    """The address is not one that may be opened. The message says which are."""


def check_address(port: str, hosts: frozenset[str] = frozenset()) -> None:
    """Refuse an address that may not be opened.

    Takes:   the address as it stands in the cabinet; hosts other than this machine that gauges may speak from.
    Refuses: AddressRefused.
    """
    if _DEVICE.fullmatch(port) or _COM.fullmatch(port):
        return
    found = _SOCKET.fullmatch(port)
    if found is None:
        raise AddressRefused(
            "A data port is a serial device of this machine, such as /dev/ttyUSB0 or COM3, or socket://127.0.0.1:8711."
        )
    host = found["host"].strip("[]").lower()
    if not 0 < int(found["port"]) < 65536:
        raise AddressRefused(f"{found['port']} is no port number: 1 to 65535.")
    if not (_is_here(host) or host in hosts):
        raise AddressRefused(
            f"{host} is not this machine. If gauges speak from there, start the server with it in GAUGE_HOSTS."
        )


def _is_here(host: str) -> bool:
    if host == "localhost":
        return True
    try:
        return ipaddress.ip_address(host).is_loopback
    except ValueError:
        return False


def check_device(port: str) -> None:
    """Refuse a device path that is a file or something else. Refuses: AddressRefused."""
    if port.startswith("/dev/") and os.path.exists(port) and not stat.S_ISCHR(os.stat(port).st_mode):
        raise AddressRefused("not a serial device")
