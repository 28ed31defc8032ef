"""Is an answer as the schema describes it, with every field and no other?"""

import re
from functools import cache
from pathlib import Path

import yaml
from jsonschema import Draft202012Validator

SCHEMA = Path(__file__).resolve().parent.parent / "schema.yml"
_OF_EACH = 3  # answers of one kind that are held against it in one process: each is, and none for ever
_seen: dict[tuple[str, str, int], int] = {}


def hold(method, path, status, told):
    """Hold an answer to a path under /api/ against the schema, unless some of its kind were."""
    kind = _kind(path, method)
    if kind is None or status >= 500 or _seen.get((*kind, status), 0) == _OF_EACH:
        return
    _seen[*kind, status] = _seen.get((*kind, status), 0) + 1
    validator = _validator(*kind, status)
    if validator is None:
        raise AssertionError(f"the schema knows no answer {status} of {method} {path}")
    for fault in validator.iter_errors(told):
        raise AssertionError(f"{method} {path} {status}: {fault.json_path}: {fault.message:.300}")


@cache
def _schema():
    told = yaml.load(SCHEMA.read_text(), yaml.CSafeLoader)
    patterns = [(re.compile(re.sub(r"\{\w+\}", "[^/]+", path) + "$"), path) for path in told["paths"]]
    told["components"]["schemas"] = {
        name: _strict(one) for name, one in told["components"]["schemas"].items()
    }
    return told, patterns


def _strict(told):
    """As JSON Schema has it: what may be null says so, and an object holds nothing that is not described."""
    if isinstance(told, list):
        return [_strict(one) for one in told]
    if not isinstance(told, dict):
        return told
    made = {key: _strict(value) for key, value in told.items() if key != "nullable"}
    if "properties" in made and isinstance(made["properties"], dict):
        made.setdefault("additionalProperties", False)
    return {"anyOf": [made, {"type": "null"}]} if told.get("nullable") else made


@cache
def _kind(path, method):
    told, patterns = _schema()
    found = [known for pattern, known in patterns if pattern.match(path) and method in told["paths"][known]]
    return (min(found, key=lambda known: known.count("{")), method) if found else None


@cache
def _validator(path, method, status):
    told, _ = _schema()
    answer = told["paths"][path][method]["responses"].get(str(status))
    if answer and "$ref" in answer:
        answer = told["components"]["responses"][answer["$ref"].rpartition("/")[2]]
    described = (answer or {}).get("content", {}).get("application/json", {}).get("schema")
    if described is None:
        return None
    return Draft202012Validator({**_strict(described), "components": told["components"]})
