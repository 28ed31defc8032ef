"""Files that a person takes away."""

import base64
import re
from urllib.parse import quote

from django.http import HttpResponse


def download(content: str | bytes, media_type: str, name: str) -> HttpResponse:
    """An answer that the browser keeps as a file of this name."""
    plain = re.sub(r"[^A-Za-z0-9._-]+", "-", name).strip("-") or "file"
    answer = HttpResponse(
        content, content_type=media_type if isinstance(content, bytes) else f"{media_type}; charset=utf-8"
    )
    answer["Content-Disposition"] = f"attachment; filename=\"{plain}\"; filename*=UTF-8''{quote(name)}"
    answer["Cache-Control"] = "no-store"
    return answer


def data_url(content: bytes, mime: str) -> str:
    """A file as an address that a page can show."""
    return f"data:{mime};base64,{base64.b64encode(content).decode()}"
