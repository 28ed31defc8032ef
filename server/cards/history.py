"""How are the many states of a card told compactly? Each by its differences from the one before.

The differences are JSON patches (RFC 6902), which any program can apply.
"""

from collections.abc import Iterable, Iterator
from copy import deepcopy
from typing import Any

import jsonpatch

from jindle_core.errors import BadInput, Problem

Told = dict[str, Any]


def differences(states: Iterable[Told]) -> Iterator[Told]:
    """For each state ``{"plan": …}`` for the first, ``{"patch": […]}`` for every later one."""
    before: Told | None = None
    for state in states:
        if before is None:
            yield {"plan": state}
        else:
            yield {"patch": jsonpatch.JsonPatch.from_diff(*_differing(before, state)).patch}
        before = state


def _differing(before: Any, after: Any) -> tuple[Any, Any]:
    """Two documents without what is the same in both; places in lists by their number, as a patch names them.

    To look for differences within is slow, and most of a card is as it was.
    """
    if isinstance(before, dict) and isinstance(after, dict):
        pairs = {key: (before.get(key), after.get(key)) for key in before.keys() & after.keys()}
        left = {key: _differing(*pair) for key, pair in sorted(pairs.items()) if pair[0] != pair[1]}
        only = [{key: one[key] for key in one.keys() - pairs.keys()} for one in (before, after)]
        return (
            {key: pair[0] for key, pair in left.items()} | only[0],
            {key: pair[1] for key, pair in left.items()} | only[1],
        )
    if isinstance(before, list) and isinstance(after, list) and len(before) == len(after):
        numbered = [{str(at): value for at, value in enumerate(one)} for one in (before, after)]
        return _differing(*numbered)
    return before, after


def whole(told: Iterable[Told]) -> Iterator[Told]:
    """The states that ``differences`` told, whole; BadInput where a patch does not fit."""
    state: Told | None = None
    for one in told:
        try:
            state = (
                one["plan"]
                if "plan" in one
                else jsonpatch.apply_patch(deepcopy(state), one["patch"], in_place=True)
            )
        except (jsonpatch.JsonPatchException, jsonpatch.JsonPointerException) as error:
            words = f"A state of a card does not follow from the one before it ({error})."
            raise BadInput(Problem(words, field="file")) from None
        yield state
