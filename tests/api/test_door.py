"""At the door: who may ask, what every answer carries, who guesses, who stays let in."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from kindwhisk.api.app import create_app
from kindwhisk.api.sessions import FREE_TRIES, Guesses, tokens_in
from kindwhisk.api.settings import Settings
from kindwhisk.core.values.errors import NotNowError
from tests.api.conftest import BASE

PASSCODE = "yolks and sugar"
AWAY = "http://kitchen.local:8321"


@pytest.fixture
def guarded(tmp_path: Path) -> Iterator[TestClient]:
    app = create_app(Settings(data=tmp_path, host="0.0.0.0", passcode=PASSCODE))
    with TestClient(app, base_url=AWAY) as client:
        yield client


def enter(client: TestClient, passcode: str = PASSCODE) -> int:
    return client.post("/api/session", json={"passcode": passcode}, headers={"user-agent": "a tablet"}).status_code


@pytest.mark.parametrize("path", ["/", "/api/health", "/api/none", "/api/formulas", "/icon.svg", "/api/openapi.json"])
def test_every_answer_is_guarded(client: TestClient, path: str) -> None:
    for headers in ({}, {"host": "elsewhere"}):
        answer = client.get(path, headers=headers)
        assert "default-src 'self'" in answer.headers["content-security-policy"]
        assert answer.headers["x-content-type-options"] == "nosniff"


@pytest.mark.parametrize(
    ("headers", "status"),
    [
        ({"origin": BASE, "sec-fetch-site": "same-origin"}, 422),
        ({"sec-fetch-site": "none"}, 422),
        ({}, 422),
        ({"origin": "http://elsewhere"}, 403),
        ({"origin": "null"}, 403),
        ({"origin": "http://["}, 403),
        ({"sec-fetch-site": "cross-site"}, 403),
        ({"sec-fetch-site": "same-site"}, 403),
        ({"host": "["}, 421),
        ({"host": "elsewhere"}, 421),
        ({"host": ""}, 421),
        ({"cookie": "@=1"}, 422),
    ],
)
def test_only_own_pages_write(client: TestClient, headers: dict[str, str], status: int) -> None:
    assert client.post("/api/plans", json={}, headers=headers).status_code == status


def test_another_site_may_be_followed_from_but_reads_nothing(client: TestClient) -> None:
    site = {"sec-fetch-site": "cross-site"}
    assert client.get("/api/kitchen", headers=site).status_code == 403
    assert client.get("/api/kitchen", headers=site | {"sec-fetch-mode": "navigate"}).status_code == 200


def test_other_cookies_do_not_lock_out(guarded: TestClient) -> None:
    assert enter(guarded) == 204
    own = guarded.cookies["kindwhisk_session"]
    guarded.cookies.clear()
    for before in ("@=1", "a b=c; ", 'x="', "kindwhisk_session=another", "=;;"):
        cookie = f"{before}; kindwhisk_session={own}"
        assert guarded.get("/api/formulas", headers={"cookie": cookie}).status_code == 200, before
    assert guarded.get("/api/formulas", headers={"cookie": "kindwhisk_session=another"}).status_code == 401
    assert tokens_in("kindwhisk_session_=a; Kindwhisk_session=b; kindwhisk_session=c=d") == ["c=d"]


@pytest.mark.parametrize(
    ("passcode", "why"), [("", "required"), ("a", "short"), (" ", "short"), ("  ab   ", "short"), ("aaaaaaaa", "plain")]
)
def test_a_passcode_that_is_guessed_in_a_morning_is_refused_with_why(tmp_path: Path, passcode: str, why: str) -> None:
    with pytest.raises(ValueError, match=why):
        Settings(data=tmp_path, host="0.0.0.0", passcode=passcode)


class Passing:
    """A clock that passes when it is told to."""

    def __init__(self) -> None:
        self.at = 100.0

    def __call__(self) -> float:
        return self.at


def test_a_guesser_waits_longer_each_time_and_nobody_else_does() -> None:
    clock = Passing()
    guesses = Guesses(clock)
    waits = []
    for _ in range(FREE_TRIES + 7):
        began = clock.at
        while True:
            try:
                guesses.begin("guesser")
                break
            except NotNowError:
                clock.at += 1
        waits.append(clock.at - began)
        guesses.begin("baker")
        guesses.right("baker")
    assert waits[0] == 0
    assert waits == sorted(waits)
    assert waits[-1] > 60


def test_guesses_that_come_at_once_are_counted_before_they_are_looked_at() -> None:
    guesses, let_through, started = Guesses(Passing()), [], threading.Barrier(40)

    def guess() -> None:
        started.wait()
        try:
            guesses.begin("guesser")
            let_through.append(1)
        except NotNowError:
            pass

    threads = [threading.Thread(target=guess) for _ in range(40)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert len(let_through) == FREE_TRIES


def test_a_right_passcode_forgives_the_wrong_ones_before_it(guarded: TestClient) -> None:
    for _ in range(3):
        for _ in range(FREE_TRIES - 1):
            assert enter(guarded, "wrong one") == 422
        assert enter(guarded) == 204
    for _ in range(FREE_TRIES):
        enter(guarded, "wrong one")
    answer = guarded.post("/api/session", json={"passcode": "wrong one"})
    assert (answer.status_code, "Wait" in answer.json()["remedy"]) == (409, True)


def test_a_device_stays_let_in_over_a_restart_until_somebody_ends_it(tmp_path: Path) -> None:
    settings = Settings(data=tmp_path, host="0.0.0.0", passcode=PASSCODE)
    with TestClient(create_app(settings), base_url=AWAY) as first:
        enter(first)
        cookie = {"cookie": f"kindwhisk_session={first.cookies['kindwhisk_session']}"}
    with TestClient(create_app(settings), base_url=AWAY) as second:
        assert enter(second) == 204
        devices = second.get("/api/sessions", headers=cookie).json()
        assert [d["device"] for d in devices] == ["a tablet", "a tablet"]
        assert [d["own"] for d in devices].count(True) == 1
        own = next(d["id"] for d in devices if d["own"])
        assert second.delete(f"/api/sessions/{own}").status_code == 204
        second.cookies.clear()
        assert second.get("/api/formulas", headers=cookie).status_code == 401
        enter(second)
        assert second.delete(f"/api/sessions/{own}").status_code == 404
    other = Settings(data=tmp_path, host="0.0.0.0", passcode="another passcode")
    with TestClient(create_app(other), base_url=AWAY) as third:
        assert third.get("/api/formulas", headers=cookie).status_code == 401
    # What lies in the file lets nobody in.
    text = (tmp_path / "kindwhisk.sqlite3").read_bytes()
    assert PASSCODE.encode() not in text
    assert cookie["cookie"].split("=")[1].encode() not in text
