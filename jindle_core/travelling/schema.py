"""What does a recipe file look like, as a JSON Schema for whoever writes or reads one elsewhere?

It is made of the very declarations that ``structured`` reads by, so that it says what is read.
"""

import json
from dataclasses import MISSING, fields
from enum import StrEnum
from types import NoneType, UnionType
from typing import Any, Literal, Union, get_args, get_origin, get_type_hints

from jindle_core import figures
from jindle_core.card.stored import VERSION as CARD_FORM
from jindle_core.lengths import TICKS
from jindle_core.travelling.recipe_file import FORMAT, KINDS, VERSION
from jindle_core.travelling.told import Travelling

Schema = dict[str, Any]
_PLAIN: dict[Any, Schema] = {
    int: {"type": "integer"},
    float: {"type": "number"},
    str: {"type": "string"},
    bool: {"type": "boolean"},
    NoneType: {"type": "null"},
    Any: {},
}


def recipe_schema() -> str:
    """The schema of today's version, as JSON."""
    defined: dict[str, Schema] = {
        "Length": {
            "description": "Whole ticks of 1/64 inch, or of 0.1 millimetre.",
            "type": "object",
            "properties": {"ticks": {"type": "integer"}, "unit": {"enum": list(TICKS)}},
            "required": ["ticks", "unit"],
        }
    }
    told = _object(Travelling, defined)
    told["properties"]["card"] = {"$ref": "#/$defs/Card"}
    defined["Card"]["properties"]["version"] = {"const": CARD_FORM}
    picture = {
        "words": {"type": "string", "maxLength": figures.palettes.NAME_LIMIT},
        "kind": {"enum": list(KINDS)},
        "base64": {"type": "string", "contentEncoding": "base64"},
    }
    head = {
        "format": {"const": FORMAT},
        "version": {"const": VERSION},
        "name": {"type": "string"},
        "pictures": {
            "type": "array",
            "maxItems": figures.files.RECIPE_PICTURES,
            "items": {"type": "object", "properties": picture, "required": list(picture)},
        },
    }
    whole = {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": f"A Jindle recipe, version {VERSION}",
        "type": "object",
        "properties": head | told["properties"],
        "required": ["format", "version", *told["required"]],
        "$defs": dict(sorted(defined.items())),
    }
    return json.dumps(whole, ensure_ascii=False, indent=1) + "\n"


def _object(kind: type, defined: dict[str, Schema]) -> Schema:
    """A dataclass as it is stored; what it is made of goes among what is defined."""
    hints = get_type_hints(kind)
    properties = {one.name: _of(hints[one.name], defined) for one in fields(kind)}
    required = [one.name for one in fields(kind) if one.default is MISSING and one.default_factory is MISSING]
    return {"type": "object", "properties": properties, "required": required}


def _of(kind: Any, defined: dict[str, Schema]) -> Schema:
    if kind in _PLAIN:
        return _PLAIN[kind]
    origin, within = get_origin(kind), get_args(kind)
    if origin in (Union, UnionType):
        return {"anyOf": [_of(one, defined) for one in within]}
    if origin is Literal:
        return {"enum": list(within)}
    if origin is tuple and within[-1] is Ellipsis:
        return {"type": "array", "items": _of(within[0], defined)}
    if origin is tuple:
        each = [_of(one, defined) for one in within]
        return {"type": "array", "prefixItems": each, "minItems": len(each), "maxItems": len(each)}
    if origin is dict:
        return {"type": "object"}
    if issubclass(kind, StrEnum):
        return {"enum": [one.value for one in kind]}
    name: str = kind.__name__
    if name not in defined:
        defined[name] = {}  # one may hold another of its kind
        defined[name] = _object(kind, defined)
    return {"$ref": f"#/$defs/{name}"}
