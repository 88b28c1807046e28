"""What browser tests do on a page, and what they ask the server."""

from __future__ import annotations

import json
import re
import urllib.request

from playwright.sync_api import expect


def asked(server, path):
    with urllib.request.urlopen(f"{server.address}api/{path}") as answer:
        return json.load(answer)


def exercise_id(server, title):
    return next(one["id"] for one in asked(server, "exercises") if one["title"] == title)


def document(server, title):
    return asked(server, f"exercises/{exercise_id(server, title)}")["document"]


def open_bench(watched, title):
    page = watched.go("prepare")
    page.get_by_role("link", name=re.compile(f"Drawing of {title}")).click()
    expect(page.get_by_role("heading", name=title)).to_be_visible()
    expect(page.get_by_role("button", name="1. The")).to_be_visible()
    return page


def drag(page, handle, dx, dy):
    handle.scroll_into_view_if_needed()
    told = handle.get_attribute("aria-valuetext")
    box = handle.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + dx / 2, y + dy / 2, steps=4)
    page.mouse.move(x + dx, y + dy, steps=4)
    page.mouse.up()
    if told and any(sign.isdigit() for sign in told):
        # What is asked next is asked of the drawing after the drag, also where that takes a while.
        expect(handle).not_to_have_attribute("aria-valuetext", told)


def lines_on(page):
    """How many lines are drawn on the desk."""
    return int(page.locator(".desk .lines").first.get_attribute("data-lines"))


def saved(page):
    expect(page.get_by_role("status").filter(has_text=re.compile("^Saved$"))).to_be_visible()
