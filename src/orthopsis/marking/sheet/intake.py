"""Files of several sheets: a copier's PDF, a TIFF of many pages, a ZIP of photos.

Each sheet comes out by itself, as a picture or as what is wrong with it, so one bad page spoils no
other. Pages of a PDF are drawn by PDFium; nothing in a file is run or fetched. A ZIP is no picture
but a way to send several files: `unpacked` takes them out as they are, and decodes none.
"""

from __future__ import annotations

import io
import struct
import zipfile
import zlib
from collections.abc import Iterator
from pathlib import Path, PurePosixPath
from typing import BinaryIO, NamedTuple

import pypdfium2
from PIL import Image

from orthopsis.construction.moves import count
from orthopsis.errors import ImageError
from orthopsis.marking.sheet.photo import (
    BROKEN,
    MAX_BYTES,
    Grey,
    Photo,
    check_size,
    kept,
    open_photo,
)
from orthopsis.phrase import say
from orthopsis.plain import one_line

HEAD_BYTES = 1024
MAX_PAGES = 80
MAX_TOGETHER_BYTES = 200_000_000
PLAIN_PACKING = (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED)
"""How a ZIP packs photos; other ways can take minutes to undo."""
PAGE_DPI = 200.0
LARGEST_PAGE_PX = 5000


class Arrival(NamedTuple):
    """One sheet out of a file: its name, and its picture, or what is wrong with it."""

    name: str
    photo: Photo | None
    problem: ImageError | None = None


class Packed(NamedTuple):
    """One file out of a ZIP as it was put in, or what is wrong with it."""

    name: str
    content: bytes
    problem: ImageError | None = None


File = bytes | Path
"""A file's content, or where it lies: a large one is never all in memory."""


def arrivals(name: str, file: File) -> Iterator[Arrival]:
    """The sheets in a file, one after the other.

    Raises ImageError when the file itself cannot be opened or holds too much.
    """
    with _opened(file) as stream:
        head = stream.read(HEAD_BYTES)
        stream.seek(0)
        if is_zip(head):
            for packed in unpacked(stream):
                yield from _of_packed(packed)
        elif _is_pdf(head):
            yield from _of_pdf(name, stream)
        elif _is_tiff(head):
            yield from _of_tiff(name, stream)
        else:
            yield Arrival(name, open_photo(stream.read(MAX_BYTES + 1)))


def _opened(file: File) -> BinaryIO:
    return io.BytesIO(file) if isinstance(file, bytes) else file.open("rb")


def _size(stream: BinaryIO) -> int:
    size = stream.seek(0, io.SEEK_END)
    stream.seek(0)
    return size


def _of_packed(packed: Packed) -> Iterator[Arrival]:
    if packed.problem is not None:
        yield Arrival(packed.name, None, packed.problem)
        return
    try:
        yield from arrivals(packed.name, packed.content)
    except ImageError as error:
        yield Arrival(packed.name, None, error)


def holds_pages(data: bytes) -> bool:
    """Whether a file has to be decoded to know its sheets: a PDF or a TIFF."""
    return _is_tiff(data) or _is_pdf(data)


def is_zip(data: bytes) -> bool:
    """Whether a file is a ZIP, by its content."""
    return data[:4] == b"PK\x03\x04"


def _is_tiff(data: bytes) -> bool:
    return data[:4] in (b"II*\x00", b"MM\x00*")


def _is_pdf(data: bytes) -> bool:
    return data[:1024].lstrip()[:5] == b"%PDF-"


def the_only_sheet(data: bytes) -> Grey:
    """The grey picture in a file of one sheet. Raises ImageError when it holds several."""
    found = arrivals("the file", data)
    first = next(found)
    if next(found, None) is not None:
        raise ImageError(say("refused-several-sheets"))
    if first.photo is None:
        raise first.problem or ImageError(say("refused-no-sheet-in-file"))
    return first.photo.grey


def unpacked(file: BinaryIO) -> Iterator[Packed]:
    """The files in a ZIP, one after the other, none of them opened.

    Raises ImageError when the ZIP is broken, empty or holds too much.
    """
    if _size(file) > MAX_TOGETHER_BYTES:
        raise _too_much()
    try:
        archive = zipfile.ZipFile(file)
        entries = [e for e in archive.infolist() if _is_meant(e.filename) and not e.is_dir()]
    except (zipfile.BadZipFile, OSError, ValueError, EOFError, NotImplementedError, struct.error):
        raise ImageError(say("refused-zip-broken")) from None
    if len(entries) > MAX_PAGES:
        raise _too_many(len(entries))
    if not entries:
        raise ImageError(say("refused-zip-empty"))
    if sum(entry.file_size for entry in entries) > MAX_TOGETHER_BYTES:
        raise _too_much()
    for entry in entries:
        name = one_line(PurePosixPath(entry.filename).name) or "?"
        try:
            yield Packed(name, _content(archive, entry))
        except ImageError as error:
            yield Packed(name, b"", error)
        except (zipfile.BadZipFile, OSError, ValueError, RuntimeError, EOFError, zlib.error,
                NotImplementedError, struct.error):  # fmt: skip
            yield Packed(name, b"", ImageError(say("refused-file-in-zip")))


def _content(archive: zipfile.ZipFile, entry: zipfile.ZipInfo) -> bytes:
    if entry.compress_type not in PLAIN_PACKING:
        raise ImageError(say("refused-zip-packing"))
    with archive.open(entry) as opened:
        content = opened.read(MAX_BYTES + 1)
    if is_zip(content):
        raise ImageError(say("refused-zip-in-zip"))
    if len(content) > MAX_BYTES:
        raise ImageError(say("refused-photo-too-large-in-zip", most=count(MAX_BYTES // 1_000_000)))
    return content


def _is_meant(name: str) -> bool:
    """Not what an operating system puts beside the files."""
    parts = PurePosixPath(name).parts
    return bool(parts) and not parts[-1].startswith(".") and "__MACOSX" not in parts


def _of_pdf(name: str, file: BinaryIO) -> Iterator[Arrival]:
    if _size(file) > MAX_TOGETHER_BYTES:
        raise _too_much()
    try:
        document = pypdfium2.PdfDocument(file)
        count = len(document)
    except pypdfium2.PdfiumError as error:
        locked = error.err_code == pypdfium2.raw.FPDF_ERR_PASSWORD
        raise ImageError(say("refused-pdf-locked" if locked else "refused-pdf-broken")) from None
    with document:
        if count > MAX_PAGES:
            raise _too_many(count)
        for number in range(count):
            page_name = name if count == 1 else f"{name}, page {number + 1}"
            try:
                page = document[number]
                scale = min(PAGE_DPI / 72.0, LARGEST_PAGE_PX / max(page.get_size()))
                picture = page.render(scale=scale, grayscale=True).to_pil()
                check_size(*picture.size)
                yield Arrival(page_name, kept(picture))
            except ImageError as error:
                yield Arrival(page_name, None, error)
            except (pypdfium2.PdfiumError, ValueError, OSError, ZeroDivisionError):
                yield Arrival(page_name, None, ImageError(say("refused-page")))


def _of_tiff(name: str, file: BinaryIO) -> Iterator[Arrival]:
    if _size(file) > MAX_TOGETHER_BYTES:
        raise _too_much()
    count = _pages_of_tiff(file)
    if count == 1:
        file.seek(0)
        yield Arrival(name, open_photo(file.read(MAX_BYTES + 1)))
        return
    if count > MAX_PAGES:
        raise _too_many(count)
    for number in range(count):
        page_name = f"{name}, page {number + 1}"
        try:
            file.seek(0)
            with Image.open(file, formats=("TIFF",)) as picture:
                picture.seek(number)
                check_size(*picture.size)
                page = io.BytesIO()
                picture.convert("L").save(page, "PNG")
            yield Arrival(page_name, open_photo(page.getvalue()))
        except ImageError as error:
            yield Arrival(page_name, None, error)
        except (OSError, ValueError, EOFError, Image.DecompressionBombError):
            yield Arrival(page_name, None, ImageError(say("refused-page")))


def _pages_of_tiff(file: BinaryIO) -> int:
    """How many pages it has, or one more than are taken."""
    try:
        with Image.open(file, formats=("TIFF",)) as picture:
            for number in range(1, MAX_PAGES + 1):
                try:
                    picture.seek(number)
                except EOFError:
                    return number
    except (*BROKEN, Image.DecompressionBombError):
        raise ImageError(say("refused-no-picture")) from None
    return MAX_PAGES + 1


def _too_many(sheets: int) -> ImageError:
    return ImageError(say("refused-too-many-sheets", count=count(sheets), most=count(MAX_PAGES)))


def _too_much() -> ImageError:
    return ImageError(say("refused-too-much-together", most=count(MAX_TOGETHER_BYTES // 1_000_000)))
