"""Heavy work waits for its turn and ends in time; light work waits for nobody."""

from __future__ import annotations

import asyncio
import contextlib
import threading
import time
from concurrent.futures import ThreadPoolExecutor

import httpx
import pytest

from orthopsis.web import turns
from orthopsis.web.covers import drawn
from orthopsis.web.routes import printing
from orthopsis.web.turns import Busy, TookTooLong, Turns, within
from tests.documents import ONE_POINT

ORDER = {"document": ONE_POINT, "order": {"parts": ["key"]}}


def test_forty_prints_at_once_are_all_made_and_nobody_waits_to_read(client, monkeypatch):
    """Each asks for a pack; meanwhile the lists answer, and no thread or connection is held."""
    at_work, most = [0], [0]
    lock = threading.Lock()

    def slow(*_):
        with lock:
            at_work[0] += 1
            most[0] = max(most[0], at_work[0])
        time.sleep(0.05)
        with lock:
            at_work[0] -= 1
        return b"%PDF"

    monkeypatch.setattr(printing, "handout_pdf", slow)
    reading: list[int] = []

    def read():
        while not done.is_set():
            reading.append(client.get("/api/classes").status_code)

    done = threading.Event()
    reader = threading.Thread(target=read)
    reader.start()
    with ThreadPoolExecutor(40) as pool:
        codes = list(
            pool.map(lambda _: client.post("/api/print", json=ORDER).status_code, range(40))
        )
    done.set()
    reader.join()
    assert codes == [200] * 40
    assert most[0] <= 2, "two at once"
    assert len(reading) > 10 and set(reading) == {200}


def test_who_comes_when_the_queue_is_full_is_told_so(client, monkeypatch):
    monkeypatch.setitem(client.app.state._state, "printing", Turns(1, 0))
    refused = client.post("/api/print", json=ORDER)
    assert refused.status_code == 503 and refused.headers["Retry-After"]
    assert "Your turn comes" in refused.json()["detail"]


def test_turns_are_given_back_whatever_happens():
    async def check():
        one = Turns(1, 5)

        async def use(fails):
            async with one.turn():
                if fails:
                    raise ValueError

        for fails in (True, False, True):
            with contextlib.suppress(ValueError):
                await use(fails)
        assert one.waiting == 0
        with pytest.raises(Busy):
            async with Turns(1, 0).turn():
                pass

    asyncio.run(check())


def test_who_was_refused_gives_the_turn_back(client, monkeypatch):
    monkeypatch.setitem(client.app.state._state, "printing", Turns(1, 5))
    wrong = {**ONE_POINT, "pieces": [{**ONE_POINT["pieces"][0], "depth": {"along_mm": 900}}]}
    for _ in range(3):
        assert client.post("/api/print", json={**ORDER, "document": wrong}).status_code == 422
    assert client.post("/api/print", json=ORDER).status_code == 200


def test_work_that_takes_too_long_is_ended_and_quick_work_is_left_alone(monkeypatch):
    monkeypatch.setitem(turns.LIMIT_S, "any", 0.2)

    @within("any")
    def endless():
        while True:
            sum(range(100))

    with pytest.raises(TookTooLong, match="took too long"):
        endless()

    @within("any")
    def quick(value):
        return value

    assert [quick(number) for number in range(1000)] == list(range(1000))
    time.sleep(0.4)
    assert sum(range(10_000)) == 49_995_000, "nothing comes afterwards"


def test_a_drawing_that_takes_too_long_is_refused_in_words(client, monkeypatch):
    monkeypatch.setitem(turns.LIMIT_S, "drawing", 0.1)

    def endless(*_, **__):
        while True:
            sum(range(100))

    monkeypatch.setattr("orthopsis.web.routes.drawing.picture_record", endless)
    refused = client.post("/api/picture", json=ONE_POINT)
    assert refused.status_code == 422
    assert "Leave out some of the pieces" in refused.json()["detail"]


@pytest.mark.parametrize("data", [None, 3, "x", [], {}, {"format": "orthopsis-exercise"}])
def test_a_card_is_made_of_anything(data):
    card, cover = drawn(data)
    assert not card.can_be_shown and cover is None


def test_a_client_that_says_nothing_is_let_go(tmp_path):
    """A connection that is opened and says half a request does not hold a place for ever."""
    import socket

    import uvicorn

    from orthopsis.web.patience import PatientProtocol

    class Impatient(PatientProtocol):
        silence_s, look_every_s = 0.3, 0.1

    async def app(scope, receive, send):
        while (await receive()).get("more_body"):
            pass
        await send({"type": "http.response.start", "status": 200, "headers": []})
        await send({"type": "http.response.body", "body": b"heard"})

    listener = socket.socket()
    listener.bind(("127.0.0.1", 0))
    listener.listen()
    address = listener.getsockname()
    server = uvicorn.Server(uvicorn.Config(app, http=Impatient, log_level="error", lifespan="off"))
    thread = threading.Thread(target=server.run, kwargs={"sockets": [listener]})
    thread.start()
    try:
        for said in (
            b"",
            b"GET / HT",
            b"POST / HTTP/1.1\r\nHost: x\r\nContent-Length: 9\r\n\r\nhalf",
        ):
            with socket.create_connection(address, timeout=30) as silent:
                silent.sendall(said)
                assert silent.recv(100) == b"", "closed"
        assert httpx.get(f"http://127.0.0.1:{address[1]}/").text == "heard"
    finally:
        server.should_exit = True
        thread.join()
