"""The shelf: saving with a counter, two windows at once, covers, another teacher's things."""

from __future__ import annotations

import threading
from xml.etree import ElementTree

import pytest

from orthopsis.errors import NotFound
from orthopsis.exercise.load import from_data
from orthopsis.exercise.resolve import picture
from orthopsis.handout.figure import picture_figure
from orthopsis.handout.svg import to_svg
from orthopsis.handout.thumbnail import to_thumbnail
from orthopsis.school import lessons, shelf
from orthopsis.school.tables import ExerciseRow
from tests.documents import ONE_POINT, TWO_POINT, changed, example


def added(client, data=ONE_POINT):
    return client.post("/api/exercises", json=data).json()


def save(client, one, counter=None, **change):
    body = {"counter": counter or one["counter"], "document": changed(one["document"], **change)}
    return client.put(f"/api/exercises/{one['id']}", json=body)


def test_an_exercise_is_put_on_the_shelf_opened_and_saved(client):
    one = added(client)
    assert one["counter"] == 1
    saved = save(client, one, title="Two boxes").json()
    assert (saved["counter"], saved["document"]["title"]) == (2, "Two boxes")
    assert client.get(f"/api/exercises/{one['id']}").json()["document"]["title"] == "Two boxes"


def test_the_shelf_tells_what_each_exercise_is(client):
    added(client)
    added(client, TWO_POINT)
    items = {item["title"]: item for item in client.get("/api/exercises").json()}
    assert (items["One box"]["points"], items["One corner"]["points"]) == (1, 2)
    assert items["One box"]["pieces"] == 1
    assert items["One box"]["minutes"] > 5


def test_a_half_built_exercise_stays_on_the_shelf(client):
    box = {**ONE_POINT["pieces"][0], "standing": "ground"}
    added(client, changed(ONE_POINT, pieces=[box, {**box, "id": "tray"}]))
    assert client.get("/api/exercises").json()[0]["minutes"] is None


def test_the_cover_is_the_real_drawing(client):
    one = added(client)
    way = f"/api/exercises/{one['id']}/cover.svg"
    cover = client.get(way)
    assert cover.headers["content-type"].startswith("image/svg+xml")
    assert cover.text.count("M") >= 9, "a crate shows nine edges"
    again = client.get(way, headers={"If-None-Match": cover.headers["ETag"]})
    assert (again.status_code, again.content) == (304, b"")
    save(client, one, title="Another")
    assert client.get(way, headers={"If-None-Match": cover.headers["ETag"]}).status_code == 200


def test_a_cover_is_a_thumbnail():
    scene = example("moss-seen-from-below")
    figure = picture_figure(scene, picture(scene), scale=2.0)
    small, whole = to_thumbnail(figure), to_svg(figure)
    assert len(small) < 0.5 * len(whole), (len(small), len(whole))
    assert ElementTree.fromstring(small).tag.endswith("svg")


def test_saving_over_a_newer_version_is_refused_and_both_are_kept(client):
    one = added(client)
    assert save(client, one, title="From the first window").status_code == 200
    refused = save(client, one, counter=1, title="From the second window")
    assert refused.status_code == 409
    problem = refused.json()
    assert problem["current_counter"] == 2
    titles = {item["id"]: item["title"] for item in client.get("/api/exercises").json()}
    assert titles[one["id"]] == "From the first window"
    assert titles[problem["kept_copy_id"]] == "From the second window (set aside)"
    kept = client.get(f"/api/exercises/{problem['kept_copy_id']}").json()
    assert kept["document"]["pieces"] == one["document"]["pieces"]
    assert titles[problem["kept_copy_id"]] in problem["detail"]


def test_saving_the_same_again_is_no_conflict_and_no_new_version(client):
    one = added(client)
    save(client, one, title="Changed")
    assert save(client, one, counter=1, title="Changed").json()["counter"] == 2


def test_of_many_windows_saving_at_once_one_wins_and_none_is_lost(client):
    one = added(client)
    codes: list[int] = []

    def window(number):
        codes.append(save(client, one, title=f"Window {number}").status_code)

    threads = [threading.Thread(target=window, args=(n,)) for n in range(6)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert sorted(codes) == [200, 409, 409, 409, 409, 409]
    titles = sorted(item["title"].split(" (")[0] for item in client.get("/api/exercises").json())
    assert titles == [f"Window {n}" for n in range(6)]


def test_a_refused_document_is_not_saved(client):
    one = added(client)
    assert save(client, one, piezes=1).status_code == 422
    assert client.get(f"/api/exercises/{one['id']}").json()["counter"] == 1


def test_missing_exercises_are_problems(client):
    for answer in (client.get("/api/exercises/999"), client.get("/api/exercises/999/cover.svg")):
        assert answer.status_code == 404
        assert "does not exist" in answer.json()["detail"]


def test_another_teachers_things_are_not_there(store, school):
    with store.session() as session:
        row = shelf.add_exercise(session, school["second"], from_data(ONE_POINT))
        assert list(shelf.exercises(session, school["first"])) == []
        for asked in (
            lambda: shelf.exercise(session, school["first"], row.id),
            lambda: shelf.save_exercise(session, school["first"], row.id, from_data(TWO_POINT), 1),
            lambda: lessons.give_lesson(session, school["first"], school["8 Rowan"], row.id, None),
            lambda: lessons.school_class(session, school["first"], school["7 Ash"]),
        ):
            with pytest.raises(NotFound):
                asked()
        assert session.get(ExerciseRow, row.id).counter == 1


def test_only_the_first_teachers_things_come_over_the_web(client, store, school):
    with store.session() as session:
        hidden = shelf.add_exercise(session, school["second"], from_data(ONE_POINT)).id
    assert client.get("/api/exercises").json() == []
    assert client.get(f"/api/exercises/{hidden}").status_code == 404
    assert [one["name"] for one in client.get("/api/classes").json()] == ["8 Rowan"]
    assert client.get(f"/api/classes/{school['7 Ash']}/register").status_code == 404


def in_place(client, place):
    answer = client.get("/api/exercises", params={"place": place})
    return {item["title"] for item in answer.json()}


def test_the_bin_gives_everything_back(client):
    one = added(client)
    for place in ("archive", "bin", "shelf"):
        moved = client.put(f"/api/exercises/{one['id']}/place", json={"place": place}).json()
        assert moved["place"] == place
        for other in ("shelf", "archive", "bin"):
            assert in_place(client, other) == ({"One box"} if other == place else set())
    assert (
        client.put(f"/api/exercises/{one['id']}/place", json={"place": "fire"}).status_code == 422
    )
    assert client.put("/api/exercises/4711/place", json={"place": "bin"}).status_code == 404


def test_a_copy_stands_beside_its_original_and_changes_alone(client):
    one = added(client, changed(ONE_POINT, age=9))
    number = client.post(f"/api/exercises/{one['id']}/copy").json()["id"]
    copy = client.get(f"/api/exercises/{number}").json()
    assert copy["document"] == {**one["document"], "title": "One box (copy)"}
    save(client, copy, title="Mine")
    assert in_place(client, "shelf") == {"One box", "Mine"}


def test_a_file_saved_from_the_shelf_is_read_again(client):
    one = added(client, changed(ONE_POINT, title="Größe / 3"))
    kept = client.get(f"/api/exercises/{one['id']}/document.json")
    assert 'filename="gr--e---3.json"' in kept.headers["content-disposition"]
    again = client.post("/api/exercises", json=kept.json())
    assert again.json()["document"] == one["document"]


def test_good_starts_come_with_their_documents_and_covers(client):
    for one in client.get("/api/recipes").json():
        assert one["minutes"] > 5
        assert client.post("/api/exercises", json=one["document"]).status_code == 201
        assert client.get(f"/api/recipes/{one['name']}/cover.svg").text.startswith("<svg")
    assert client.get("/api/recipes/none/cover.svg").status_code == 404
