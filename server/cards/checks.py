"""The checks of a card: what holds, what does not, and what would mend it."""

from typing import Any

import numpy as np

from jindle_core.changes import SPAN_CHECK, pair_check
from jindle_core.contrast.mending import Mend, mend
from jindle_core.contrast.rules import RULES, Finding, Status, examine_each, examine_span
from jindle_core.media import Medium
from jindle_core.plan import End, Pair, Waiver
from server.cards.resolve import ResolvedPlan
from server.catalogue.arrays import Catalogue

_MENDS = 2


def checks(resolved: ResolvedPlan, mending: bool = True) -> list[dict[str, Any]]:
    """Every check, as ``CheckSerializer`` describes it; without mends where not ``mending``."""
    pairs = resolved.pairs
    found = []
    if pairs:
        upper, lower = (
            np.stack([resolved.end_lab(getattr(pair, end)) for pair in pairs]) for end in ("upper", "lower")
        )
        kinds, outlined = [pair.kind for pair in pairs], [pair.outlined for pair in pairs]
        findings = examine_each(kinds, upper, lower, outlined)
        found = [
            _pair_check(resolved, *each, mending) for each in zip(pairs, upper, lower, findings, strict=True)
        ]
    if len(resolved.plan.colours) > 1:
        span = examine_span(resolved.lab)
        found.append(_told(SPAN_CHECK, "Light to dark", span, resolved.plan.waiver(SPAN_CHECK), []))
    return found


def _told(check: str, title: str, finding: Finding, waiver: Waiver | None, mends: list) -> dict[str, Any]:
    return {
        "id": check,
        "title": title,
        "status": finding.status.value,
        "figure": finding.figure,
        "limit": finding.limit,
        "reason": finding.reason,
        "waived": waiver.reason if waiver else None,
        "mends": mends,
    }


def _pair_check(
    resolved: ResolvedPlan, pair: Pair, upper: np.ndarray, lower: np.ndarray, finding: Finding, mending: bool
) -> dict[str, Any]:
    title = RULES[pair.kind].title.format(
        upper=resolved.end_words(pair.upper), lower=resolved.end_words(pair.lower)
    )
    check = pair_check(pair.key)
    waiver = resolved.plan.waiver(check)
    wanted = mending and finding.status is not Status.HOLDS and waiver is None
    return _told(check, title, finding, waiver, _mends(resolved, pair, upper, lower) if wanted else [])


def _mends(resolved: ResolvedPlan, pair: Pair, upper: np.ndarray, lower: np.ndarray) -> list[dict]:
    found = []
    for end, media in RULES[pair.kind].remedies:
        for ends, lab in (_palette(resolved, pair), _supplies(resolved.catalogue, media)):
            best = mend(pair.kind, upper, lower, end, lab)
            if best:
                found.append(_mend(resolved, pair, best, ends[best.index]))
        if len(found) >= _MENDS:
            break
    return found[:_MENDS]


def _palette(resolved: ResolvedPlan, pair: Pair) -> tuple[list[End], np.ndarray]:
    """The palette's other colours: a mend that brings in nothing new comes first."""
    ends = [End("palette", colour.key) for colour in resolved.plan.colours]
    kept = [place for place, end in enumerate(ends) if end not in (pair.upper, pair.lower)]
    return [ends[place] for place in kept], resolved.lab[kept]


def _supplies(catalogue: Catalogue, media: tuple[Medium, ...]) -> tuple[list[End], np.ndarray]:
    """Supplies of the right media: those owned, or all that can be had where none is."""
    places = catalogue.of_media(media)
    owned = places[catalogue.usable[places]]
    places = owned if len(owned) else places
    return [End("supply", catalogue.rows[place][Catalogue.ID]) for place in places], catalogue.lab[places]


def _mend(resolved: ResolvedPlan, pair: Pair, best: Mend, end: End) -> dict[str, Any]:
    after = {"upper": pair.upper, "lower": pair.lower} | {best.end: end}
    words = RULES[pair.kind].title.format(**{name: resolved.end_words(one) for name, one in after.items()})
    return {
        "words": words,
        "figure": best.finding.figure,
        "shades": resolved.end_shades(end),
        "key": pair.key,
        "end": best.end,
        "source": end.source,
        "id": end.id,
    }
