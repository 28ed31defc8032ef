"""How good is the order of work, and how fast is it told?"""

import json
import random
import statistics
from collections.abc import Sequence

from bench.visitor import CALLS, Row, Visitor, timed
from jindle_core.planning.schedule import schedule
from jindle_core.planning.task import After, Task, Tool, Work

_MADE, _STEPS = 60, (10, 60)


def planning_rows(visitor: Visitor, wanted: float = 0.95, wanted_answer: float = 25) -> list[Row]:
    """Rows: how many orders are proven the shortest, of made cards and the demo's; the stage's answer."""
    chance = random.Random(11)
    found = [schedule(_made_tasks(chance)) for _ in range(_MADE)]
    gaps, saved = [one.gap for one in found], [one.saved / one.in_turn for one in found]
    ids = [one["id"] for one in json.loads(visitor.get("/api/cards"))["cards"]]
    plans = [plan for pk in ids if (plan := json.loads(visitor.get(f"/api/cards/{pk}/plan")))["tasks"]]
    gaps += [plan["gap"] for plan in plans]
    saved_demo = [1 - plan["minutes"] / plan["in_turn"] for plan in plans]
    proven = sum(gap == 0 for gap in gaps) / len(gaps)
    return [
        (
            f"Orders proven the shortest: {len(plans)} demo cards and {_MADE} made of "
            f"{_STEPS[0]} to {_STEPS[1]} steps; saved against one after another",
            f"≥ {wanted:.0%}; told",
            f"{proven:.0%}, {max(gaps):g} min from it at most; "
            f"{statistics.mean(saved_demo):.0%} and {statistics.mean(saved):.0%}",
            proven >= wanted and bool(plans),
        ),
        _answer(visitor, ids, wanted_answer),
    ]


def _made_tasks(chance: random.Random) -> Sequence[Task]:
    """Steps as cards have them: each after none to two before it, a third of which must dry."""
    made = list[Task]()
    for number in range(chance.randint(*_STEPS)):
        earlier = chance.sample(range(number), min(number, chance.choice((0, 1, 1, 2))))
        after = tuple(After(f"t{one}", chance.choice((0.0, 0.0, 5.0, 20.0, 60.0)), "") for one in earlier)
        minutes = chance.choice((0.5, 1.0, 2.0, 4.0, 8.0))
        made.append(Task(f"t{number}", Work.GLUE, "", minutes, chance.choice(list(Tool)), after))
    return made


def _answer(visitor: Visitor, ids: Sequence[int], wanted: float) -> Row:
    """The plan of the card with the most steps, kept; and after a press, when it is worked out anew."""
    pk = max(ids, key=lambda one: len(json.loads(visitor.get(f"/api/cards/{one}/plan"))["tasks"]))
    plan = json.loads(visitor.get(f"/api/cards/{pk}/plan"))
    steps, key = len(plan["tasks"]), plan["tasks"][0]["key"]
    empty, kept, pressed = [], [], []
    for turn in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        kept.append(timed(lambda: visitor.get(f"/api/cards/{pk}/plan")))
        told = {"version": plan["version"], "press": "back" if turn % 2 else "already", "key": key}

        def press(told: dict = told) -> None:
            nonlocal plan
            plan = visitor.post(f"/api/cards/{pk}/plan/presses", told)

        pressed.append(timed(press))
    nothing = statistics.median(empty)
    ratio, anew = statistics.median(kept) / nothing, statistics.median(pressed) / nothing
    return (
        f"The Plan stage of a card of {steps} steps, against an empty authenticated call",
        f"≤ {wanted:g} ×",
        f"{ratio:.1f} × ({anew:.0f} × with a press, worked out anew)",
        ratio <= wanted,
    )
