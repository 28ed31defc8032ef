"""Which errors can each address answer with? Named in the schema, all in the one format of errors."""

from collections.abc import Iterator
from typing import Any

_ERROR = {"content": {"application/json": {"schema": {"$ref": "#/components/schemas/Error"}}}}
_WORDS = {
    "400": "Something of what was sent is not as it must be; problems say what, and where.",
    "401": "Nobody is signed in.",
    "403": "It is somebody else's to change, or the request does not come from one of Jindle's pages.",
    "404": "There is nothing there, or nothing that one may see.",
    "409": "It was changed elsewhere since it was read.",
    "413": "The file is larger than is taken here.",
    "414": "The address is longer than four thousand characters.",
    "415": "Neither JSON nor a form with a file.",
    "422": "The card is stored, but cannot be worked out.",
    "429": "Too many tries, or too much at once.",
    "503": "The database is away for the moment; Retry-After says when to ask again.",
    "507": "There is no room left on the server's disk; nothing of it was kept.",
}
# What is asked for without saying more, and refused all the same: too much, or not switched on.
_REFUSED = ("/api/me/archive", "/api/me/archive/followed", "/api/reader", "/api/camera")
_GUARDED = ("/api/sign-in", "/api/sign-up", "/api/forgotten", "/api/new-password", "/api/me/password")


def name_errors(result: dict[str, Any], **_: Any) -> dict[str, Any]:
    """The schema with them: a hook of drf-spectacular."""
    answers = {f"Answer{code}": _ERROR | {"description": words} for code, words in _WORDS.items()}
    # Before it comes to the program, the server of HTTP says so in its own way.
    answers["Answer414"]["content"] = {"text/html": {"schema": {"type": "string"}}}
    result["components"]["responses"] = answers
    for path, methods in result["paths"].items():
        for method, operation in methods.items():
            codes = _codes(path, method, operation)
            named = {code: {"$ref": f"#/components/responses/Answer{code}"} for code in codes}
            operation["responses"] = dict(sorted((named | operation["responses"]).items()))
    return result


def _codes(path: str, method: str, operation: dict[str, Any]) -> Iterator[str]:
    changes, body = method != "get", operation.get("requestBody")
    if changes or operation.get("parameters") or path in _REFUSED:
        yield "400"
    if any(one["in"] == "query" for one in operation.get("parameters", [])):
        yield "414"
    if {} not in operation.get("security", [{}]):
        yield "401"
    if changes or "{" in path:
        yield "403"
    if changes:
        yield "507"
    if body or "{" in path or path == "/api/open-demo":
        yield "404"
    if changes and "{" in path:
        yield "409"
    if body:
        yield "415"
        if "multipart/form-data" in body["content"]:
            yield "413"
    if path.startswith(("/api/cards/{", "/api/sets/{", "/api/records/{")):
        yield "422"
    if path in _GUARDED:
        yield "429"
    yield "503"
