"""Files that a person takes away."""

import base64
import re
from typing import IO, TypeVar
from urllib.parse import quote

from django.http import FileResponse, HttpResponse
from django.http.response import HttpResponseBase

Answer = TypeVar("Answer", bound=HttpResponseBase)


def download(content: str | bytes, media_type: str, name: str) -> HttpResponse:
    """An answer that the browser keeps as a file of this name."""
    told = media_type if isinstance(content, bytes) else f"{media_type}; charset=utf-8"
    return _kept(HttpResponse(content, content_type=told), name)


def download_from_disk(content: IO[bytes], media_type: str, name: str) -> FileResponse:
    """The same of a file that is sent as it is read, and closed when it is sent."""
    return _kept(FileResponse(content, content_type=media_type), name)


def _kept(answer: Answer, name: str) -> Answer:
    plain = re.sub(r"[^A-Za-z0-9._-]+", "-", name).strip("-") or "file"
    answer["Content-Disposition"] = f"attachment; filename=\"{plain}\"; filename*=UTF-8''{quote(name)}"
    answer["Cache-Control"] = "no-store"
    return answer


def data_url(content: bytes, mime: str) -> str:
    """A file as an address that a page can show."""
    return f"data:{mime};base64,{base64.b64encode(content).decode()}"
