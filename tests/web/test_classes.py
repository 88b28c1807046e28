"""Classes and pupils: added, renamed, taken off the list, and nothing of theirs lost."""

from __future__ import annotations

import pytest

from orthopsis.school import classes, lessons
from tests.documents import ONE_POINT


@pytest.fixture
def group(client):
    answer = client.post("/api/classes", json={"name": "  9 Hazel "})
    assert answer.status_code == 201
    return answer.json()


def add(client, group, *names):
    return client.post(f"/api/classes/{group['id']}/pupils", json={"names": list(names)})


def names(client, group):
    found = next(one for one in client.get("/api/classes").json() if one["id"] == group["id"])
    return [pupil["name"] for pupil in found["pupils"]]


def test_a_class_is_begun_and_filled(client, group):
    assert (group["name"], group["pupils"]) == ("9 Hazel", [])
    answer = add(client, group, "Jory Vale", " Ines Alder ")
    assert [pupil["name"] for pupil in answer.json()["pupils"]] == ["Ines Alder", "Jory Vale"]
    page = client.get(f"/api/classes/{group['id']}/register").json()
    assert [pupil["name"] for pupil in page["pupils"]] == ["Ines Alder", "Jory Vale"]


@pytest.mark.parametrize(
    ("asked", "says"),
    [
        (["Kit Rue", "jory vale"], "in this class already"),
        (["Kit Rue", "Kit Rue"], "in this class already"),
        (["   "], "names"),
        ([], "names"),
        ([f"Pupil {n}" for n in range(60)], "at most 60"),
    ],
)
def test_names_are_taken_all_or_none(client, group, asked, says):
    add(client, group, "Jory Vale")
    answer = add(client, group, *asked)
    assert answer.status_code in (400, 422)
    assert says in str(answer.json())
    assert names(client, group) == ["Jory Vale"]


def test_who_leaves_keeps_everything_and_can_come_back(client, school, group):
    jory = add(client, group, "Jory Vale").json()["pupils"][0]
    exercise = client.post("/api/exercises", json=ONE_POINT).json()
    asked = {"class_id": group["id"], "exercise_id": exercise["id"], "given_on": "2026-11-20"}
    lesson = client.post("/api/lessons", json=asked).json()
    client.put(f"/api/pupils/{jory['id']}/name", json={"name": "Jory Vale-Quill"})
    assert names(client, group) == ["Jory Vale-Quill"]
    client.put(f"/api/pupils/{jory['id']}/left", json={"left": True})
    assert names(client, group) == []
    assert client.get(f"/api/classes/{group['id']}/register").json()["pupils"] == []
    back = add(client, group, "jory vale-quill").json()["pupils"]
    assert [pupil["id"] for pupil in back] == [jory["id"]], "the same pupil, not a second one"
    client.put(f"/api/classes/{group['id']}/left", json={"left": True})
    assert group["id"] not in [one["id"] for one in client.get("/api/classes").json()]
    assert [one["id"] for one in client.get("/api/classes?away=true").json()] == [group["id"]]
    assert client.get("/api/lessons").json() == []
    client.put(f"/api/classes/{group['id']}/left", json={"left": False})
    assert names(client, group) == ["Jory Vale-Quill"]
    assert [one["id"] for one in client.get("/api/lessons").json()] == [lesson["id"]]


def test_names_that_are_taken_are_refused(client, group):
    assert "choose another name" in client.post("/api/classes", json={"name": "9 Hazel"}).text
    other = client.post("/api/classes", json={"name": "6 Alder"}).json()
    path = f"/api/classes/{other['id']}/name"
    assert client.put(path, json={"name": "9 Hazel"}).status_code >= 400
    assert client.put(path, json={"name": "6 Alder"}).status_code == 200, "its own is no clash"
    first, second = add(client, group, "Ines Alder", "Jory Vale").json()["pupils"]
    answer = client.put(f"/api/pupils/{second['id']}/name", json={"name": first["name"]})
    assert "in this class already" in answer.json()["detail"]


def test_another_teachers_class_is_not_there(store, school):
    with store.session() as session:
        second = school["second"]
        for change in (
            lambda: classes.add_pupils(session, second, school["8 Rowan"], ["X"]),
            lambda: classes.rename_class(session, second, school["8 Rowan"], "X"),
            lambda: classes.put_class_away(session, second, school["8 Rowan"], True),
            lambda: classes.rename_pupil(session, second, school["Ada"], "X"),
            lambda: classes.leave(session, second, school["Ada"], True),
        ):
            with pytest.raises(lessons.NotFound):
                change()
