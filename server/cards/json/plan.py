"""The order of work of a card, as it is told."""

from collections.abc import Sequence
from dataclasses import asdict
from typing import Any

from jindle_core.planning.hazards import CAUTIONS
from jindle_core.planning.schedule import Break, Placed, Schedule
from jindle_core.seen.palette import SeenPalette
from server.cards.json.step import step_told


def plan_told(found: Schedule, breaks: Sequence[Break], palette: SeenPalette) -> dict[str, Any]:
    """The order as ``PlanSerializer`` describes it."""
    words = {one.task.key: one.task.words for one in found.placed}
    hazards = {hazard for one in found.placed for hazard in one.task.hazards}
    return {
        "tasks": [_task(one, words, palette) for one in found.placed],
        "dries": _dries(found),
        "breaks": [asdict(one) for one in breaks if one.start < found.minutes],
        "too_long": [
            one.task.words
            for one in found.placed
            if breaks and one.task.minutes > min(pause.start for pause in breaks)
        ],
        "minutes": round(found.minutes, 1),
        "hands": round(found.hands, 1),
        "in_turn": round(found.in_turn, 1),
        "gap": round(found.gap, 1),
        "changes": found.changes,
        "cautions": [words for hazard, words in CAUTIONS.items() if hazard in hazards],
    }


def _task(one: Placed, words: dict[str, str], palette: SeenPalette) -> dict[str, Any]:
    task = one.task
    after = f" (after “{words[one.since]}”)" if one.since in words else ""
    return {
        "key": task.key,
        "work": task.work.value,
        "words": task.words,
        "tool": task.tool.value,
        "start": round(one.start, 1),
        "end": round(one.end, 1),
        "why": one.reason + after if one.reason else "",
        "supplies": [
            {"words": palette.end_words(end), "shades": palette.end_shades(end)} for end in task.supplies
        ],
        "steps": [step_told(step) for step in task.steps],
        "cautions": [words for hazard, words in CAUTIONS.items() if hazard in task.hazards],
    }


def _dries(found: Schedule) -> list[dict[str, Any]]:
    """Of each task the longest wait that something has for it."""
    ends = {one.task.key: one.end for one in found.placed}
    waits: dict[str, tuple[float, str]] = {}
    for one in found.placed:
        for after in one.task.after:
            if after.minutes and after.minutes > waits.get(after.key, (0.0, ""))[0]:
                waits[after.key] = (after.minutes, after.reason)
    words = {one.task.key: one.task.words for one in found.placed}
    return [
        {
            "key": key,
            "words": f"{words[key]}: {reason}",
            "start": round(ends[key], 1),
            "end": round(ends[key] + minutes, 1),
        }
        for key, (minutes, reason) in waits.items()
    ]
