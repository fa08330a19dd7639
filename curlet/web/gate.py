"""Who may ask, and how much they may send: told from a request's head, before any of its body is read."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from urllib.parse import urlsplit

from curlet.formats import brush_pack, fonts, pictures, safe_xml, sheet_file

LOCAL_HOSTS = {"127.0.0.1", "localhost", "::1"}
# Beside the file itself a form has a few lines of its own.
_FORM = 64 * 1024
_MB = 1024 * 1024
# What is sent as JSON: a path of 20,000 nodes is the largest.
_JSON = 6 * _MB
# Addresses that take more, by how they end: files, and on the Bench brushes with their pictures.
_LARGER = {
    "/trial": 24 * _MB,
    "/edits": 24 * _MB,
    "/drawings": safe_xml.MAX_BYTES,
    "/import": safe_xml.MAX_BYTES,
    "/artwork": safe_xml.MAX_BYTES,
    "/motif-files": safe_xml.MAX_BYTES,
    "/pictures": pictures.MAX_BYTES,
    "/guides": pictures.MAX_BYTES,
    "/picture-fills": pictures.MAX_BYTES,
    "/fonts": fonts.LARGEST,
    "/brush-files": brush_pack.MAX_UNPACKED,
    "/sheet-files": sheet_file.MAX_BYTES,
    "/sheet-file": sheet_file.MAX_BYTES,
    "/back-up-files": 900 * _MB,
}
# What every reply says: no other page may show it, hold it, or read from it.
HEADERS = {
    "Content-Security-Policy": (
        "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; "
        "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
    ),
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Referrer-Policy": "no-referrer",
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
}


@dataclass(frozen=True)
class Refusal:
    """Why a request is not taken up: an HTTP status, and a sentence."""

    status: int
    detail: str


FOREIGN = Refusal(403, "Curlet answers only its own pages on this machine.")


def foreign(method: str, path: str, headers: Mapping[str, str]) -> Refusal | None:
    """A refusal for what another page asks through the browser; None for Curlet's own pages and for programs.

    A link to a page of Curlet's may be followed from anywhere.

    Parameters
    ----------
    headers : by their names in lower case.
    """
    host = headers.get("host", "")
    if not _is_local(host):
        return FOREIGN
    origin = headers.get("origin")
    if origin and (origin == "null" or urlsplit(origin).netloc != host):
        return FOREIGN
    # W3C Fetch Metadata: browsers say where a request comes from, and what for.
    if headers.get("sec-fetch-site", "none") in ("none", "same-origin"):
        return None
    followed = headers.get("sec-fetch-mode") == "navigate" and headers.get("sec-fetch-dest") == "document"
    link = method in ("GET", "HEAD") and followed and not path.startswith("/api")
    # What a browser fetches ahead, nobody has followed.
    return None if link and "prefetch" not in headers.get("sec-purpose", "") else FOREIGN


def _is_local(host: str) -> bool:
    try:
        return urlsplit(f"//{host}").hostname in LOCAL_HOSTS
    except ValueError:
        return False


def most_sent(path: str) -> int:
    """How long a body may be at an address, bytes."""
    if not path.startswith("/api/"):
        return 0
    found = next((most for end, most in _LARGER.items() if path.endswith(end)), None)
    return found + _FORM if found is not None else _JSON


def too_long(path: str, length: int) -> Refusal | None:
    """A refusal for a body that is longer than its address takes."""
    most = most_sent(path)
    if length <= most:
        return None
    said = f"{most / _MB:.0f} MB is the most here" if most else "nothing is sent to this address"
    return Refusal(413, f"This is too large ({length / _MB:.1f} MB): {said}. Send only what you need.")
