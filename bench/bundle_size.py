"""What the browser loads before the app can be used: JavaScript and CSS, gzipped.

The figure: kilobytes of 1000 bytes of the page's own script and style and what they load at once; pages that come
later on demand are counted apart.
"""

import gzip
import re
from pathlib import Path

from told import told

DIST = Path(__file__).parents[1] / "web" / "dist"
page = (DIST / "index.html").read_text(encoding="utf-8")
first = set(re.findall(r'(?:src|href)="/(assets/[^"]+\.(?:js|css))"', page))
sizes = {
    p: len(gzip.compress(p.read_bytes(), 9)) for p in (DIST / "assets").iterdir() if p.suffix in (".js", ".css")
}
now = sum(size for place, size in sizes.items() if str(place.relative_to(DIST)) in first)
told("first load, gzipped", now / 1000, "kB", 180, speed=False)
told("all pages together, gzipped", sum(sizes.values()) / 1000, "kB", speed=False)
