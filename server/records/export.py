"""The whole log in open formats: a table for other programs, or all of it as JSON."""

import csv
import io
import json
from collections.abc import Iterable
from typing import Any

from jindle_core.interchange.range_csv import neutral
from server.records.models import Record

FORMAT = "jindle log"
_COLUMNS = ("made", "count", "name", "occasion", "person", "went well", "to change", "supplies", "instead")


def as_csv(records: Iterable[Record]) -> str:
    """A line for each, what a spreadsheet would run made harmless."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(_COLUMNS)
    for one in records:
        supplies = "; ".join(dict.fromkeys(f"{use.range_name} {use.label}" for use in one.uses.all()))
        instead = "; ".join(f"{each['of']}: {each['label']} of {each['range']}" for each in one.instead)
        told = (one.name, one.occasion, one.person, one.went_well, one.to_change, supplies, instead)
        writer.writerow((one.made.isoformat(), one.count, *map(neutral, told)))
    return out.getvalue()


def as_json(records: Iterable[Record]) -> str:
    """Everything but pictures."""
    told = [_plain(one) for one in records]
    return json.dumps({"format": FORMAT, "version": 1, "records": told}, ensure_ascii=False, indent=1) + "\n"


def _plain(record: Record) -> dict[str, Any]:
    return {
        "made": record.made.isoformat(),
        "count": record.count,
        "name": record.name,
        "occasion": record.occasion,
        "person": record.person,
        "went_well": record.went_well,
        "to_change": record.to_change,
        "instead": record.instead,
        "times": record.times,
        "recipe": record.recipes,
    }
