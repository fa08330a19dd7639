"""Who may ask and how much they may send, told from the head of a request."""

from __future__ import annotations

import io
import re

import pytest
from flask.testing import FlaskClient

from curlet.formats.file_names import file_name
from curlet.web.gate import foreign, most_sent, too_long

HOME = {"host": "127.0.0.1:8420"}
OURS = {**HOME, "origin": "http://127.0.0.1:8420", "sec-fetch-site": "same-origin", "sec-fetch-mode": "cors"}
LINK = {**HOME, "sec-fetch-site": "cross-site", "sec-fetch-mode": "navigate", "sec-fetch-dest": "document"}


@pytest.mark.parametrize(
    ("method", "path", "headers", "taken"),
    [
        ("POST", "/api/sheets", OURS, True),
        ("GET", "/api/sheets", HOME, True),
        ("GET", "/sheets/x", {**HOME, "sec-fetch-site": "none", "sec-fetch-mode": "navigate"}, True),
        ("GET", "/sheets/x", LINK, True),
        ("GET", "/sheets/x", {**LINK, "sec-purpose": "prefetch"}, False),
        ("GET", "/api/sheets", LINK, False),
        ("POST", "/", LINK, False),
        ("GET", "/", {**LINK, "sec-fetch-dest": "iframe"}, False),
        ("GET", "/a.png", {**HOME, "sec-fetch-site": "cross-site", "sec-fetch-mode": "no-cors"}, False),
        ("GET", "/api/sheets", {**HOME, "sec-fetch-site": "same-site"}, False),
        ("POST", "/api/sheets", {**OURS, "origin": "http://127.0.0.1:8421"}, False),
        ("POST", "/api/sheets", {**OURS, "origin": "null"}, False),
        # A name that points here, given by whoever wants to read (DNS rebinding).
        ("GET", "/api/sheets", {"host": "curlet.example"}, False),
        ("GET", "/api/sheets", {"host": "[bad"}, False),
        ("GET", "/api/sheets", {}, False),
        ("GET", "/api/sheets", {"host": "[::1]:8420"}, True),
    ],
)
def test_only_our_own_pages_and_programs_are_answered(
    method: str, path: str, headers: dict[str, str], taken: bool
) -> None:
    assert (foreign(method, path, headers) is None) is taken


def test_every_address_has_its_own_bound() -> None:
    assert most_sent("/anything") == 0
    assert most_sent("/api/fonts") < most_sent("/api/drawings") < most_sent("/api/pictures")
    refusal = too_long("/api/fonts", 100_000_000)
    assert refusal is not None
    assert "100.0 MB" not in refusal.detail
    assert "95.4 MB" in refusal.detail
    assert too_long("/api/fonts", 8_000_000) is None


def test_a_body_longer_than_its_address_takes_is_refused_in_words(client: FlaskClient) -> None:
    reply = client.post("/api/fonts", data={"file": (io.BytesIO(bytes(9_000_000)), "a.ttf")})
    assert reply.status_code == 413
    assert "8 MB is the most" in reply.get_json()["detail"]


def test_only_what_is_named_by_its_content_is_kept_by_browsers(client: FlaskClient) -> None:
    page = client.get("/")
    assets = re.findall(r'(?:src|href)="(/assets/[^"]+)"', page.text)
    assert assets
    for asset in assets:
        assert "immutable" in client.get(asset).headers["Cache-Control"]
    for address in ("/", "/assets/none.js", "/theme.js", "/sheets/waistcoat"):
        assert client.get(address).headers["Cache-Control"] == "no-cache"


def test_every_reply_says_that_no_other_page_may_have_it(client: FlaskClient) -> None:
    for address in ("/", "/api/sheets", "/api/sheets/waistcoat/thumbnail.png", "/api/none", "/favicon.svg"):
        headers = client.get(address).headers
        assert headers["Cross-Origin-Resource-Policy"] == "same-origin"
        assert headers["X-Frame-Options"] == "DENY"
        assert "frame-ancestors 'none'" in headers["Content-Security-Policy"]


def test_no_address_tells_which_files_the_disk_has(client: FlaskClient) -> None:
    def asked(address: str) -> tuple[int, bytes]:
        reply = client.get(address)
        return reply.status_code, reply.data

    there, not_there = asked("/..%2f..%2fapp.py"), asked("/..%2f..%2fno-such-file.py")
    assert there == not_there
    assert asked("//etc/passwd") == asked("//etc/no-such-file")
    assert asked("/assets") == asked("/nothing")
    assert asked("/" + "x" * 300)[0] == 200


@pytest.mark.parametrize(
    ("name", "file"),
    [
        ("Usher’s waistcoat.svg", "Usher’s waistcoat.svg"),
        ("Жилет 礼服.png", "Жилет 礼服.png"),
        ("../../etc/passwd", "etcpasswd"),
        ('a"b\r\nSet-Cookie: x.svg', "abSet-Cookie x.svg"),
        ("\u202egnp.exe", "gnp.exe"),
        ("", "curlet"),
        ("n" * 400 + ".svg", "n" * 150 + ".svg"),
    ],
)
def test_files_keep_their_names_in_every_script(name: str, file: str) -> None:
    assert file_name(name) == file


def test_a_name_of_any_kind_makes_a_well_formed_file(client: FlaskClient) -> None:
    import xml.etree.ElementTree as Xml

    from curlet.core.drawing import Drawing, Group
    from curlet.formats.svg_out import write_svg

    strange = "a\x00b\x1b\ufffe<&>\"'礼"
    drawing = Drawing(10, 10, (Group(strange, strange, (), facts={"brush": strange}),), strange)
    root = Xml.fromstring(write_svg(drawing))
    assert root[0].text == "ab<&>\"'礼"
    name = "Жилет\x01\u2028 礼服"
    head = {"revision": 1, "intent": {"kind": "set-sheet", "name": name}}
    assert client.post("/api/sheets/waistcoat/commands", json=head).status_code == 200
    reply = client.get("/api/sheets/waistcoat/export.svg?what=runs")
    Xml.fromstring(reply.data)
    assert "filename*=UTF-8''%D0%96%D0%B8" in reply.headers["Content-Disposition"]


@pytest.mark.parametrize(
    "body",
    [
        b"[" * 5000 + b"]" * 5000,
        b'{"revision": 99999999999999999999999999, "intent": {}}',
        b'{"revision": 1, "intent": {"kind": "rename-path", "path": "x", "name": "\\ud800"}}',
        b'{"revision": NaN}',
        b"\xff\xfe",
        b"",
    ],
)
def test_json_that_is_none_is_refused_in_words(client: FlaskClient, body: bytes) -> None:
    for address in ("/api/sheets/waistcoat/commands", "/api/brushes/topstitch/edits", "/api/sheets"):
        reply = client.post(address, data=body, content_type="application/json")
        assert reply.status_code in (400, 422)
        assert reply.get_json()["detail"]


def test_a_file_without_a_name_is_refused_in_words(client: FlaskClient) -> None:
    body = b'--x\r\nContent-Disposition: form-data; name="file"\r\n\r\n<svg/>\r\n--x--\r\n'
    for address in ("/api/drawings", "/api/fonts", "/api/pictures", "/api/motif-files"):
        reply = client.post(address, data=body, content_type="multipart/form-data; boundary=x")
        assert reply.status_code == 422


@pytest.mark.parametrize(
    ("address", "mb"),
    [
        ("/api/bench/trial", 24),
        ("/api/brushes/x/edits", 24),
        ("/api/sheets/x/commands", 6),
        ("/api/fonts", 7),
    ],
)
def test_bodies_are_bounded_by_what_they_are(address: str, mb: int) -> None:
    """Brushes with their pictures, steps on a sheet, and fonts, which are at most 8 MB of a million bytes."""
    assert too_long(address, mb * 1024 * 1024) is None
    assert too_long(address, (mb + 1) * 1024 * 1024) is not None


@pytest.mark.parametrize(
    ("method", "address", "status"),
    [("PUT", "/api/sheets", 405), ("GET", "/api/nowhere", 404), ("DELETE", "/api/sheets/waistcoat", 405)],
)
def test_what_an_address_does_not_do_is_said_with_its_own_status(
    client: FlaskClient, method: str, address: str, status: int
) -> None:
    """RFC 9457: the problem's status is the reply's."""
    reply = client.open(address, method=method)
    assert reply.status_code == status
    assert reply.get_json(force=True)["status"] == status
