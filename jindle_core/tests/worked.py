"""What is wrong with the work that a card asks for, whatever card it is."""

from jindle_core.layers.pieces import BASE, Kind, Raised
from jindle_core.planning.task import Work

_ON_FACES = (Work.STAMP, Work.COLOUR, Work.GROUND, Work.INK, Work.WORDS)
_OVER_FACES = (Work.INSIDE, Work.GLUE, Work.RAISE, Work.FINISH)


def before_each(found):
    """By key all that must be done before a task, however far."""
    by_key = {one.key: one for one in found}
    done = {}

    def walk(key):
        if key not in done:
            done[key] = set()
            for one in by_key[key].after:
                done[key] |= {one.key} | walk(one.key)
        return done[key]

    return {key: walk(key) for key in by_key}


def faults(checked, found, cut_first=False):
    """In words, what no maker would do; empty where the work can be done as it stands."""
    if not found:
        return []
    stack, told = checked.seen.stack, []
    before, build = before_each(found), stack.where.build
    last = found[-1].key
    told += [f"{one.words} after the end" for one in found[:-1] if one.key not in before[last]]
    told += [f"{one.words} waits for itself" for one in found if one.key in before[one.key]]
    pieces = {piece.key: piece for piece in build.every}
    done_to = {one.key: _faces(one, pieces, stack) for one in found if one.work in _ON_FACES}
    for one in found:
        if one.work in _OVER_FACES:
            covered = {pieces[key].on for key in one.to} | set(one.to)
            for key, faces in done_to.items():
                if faces & covered and key not in before[one.key]:
                    told.append(f"{key} after {one.words}")
        if one.work is Work.TRIM:
            told += [f"{pieces[key].name} is ink and trimmed" for key in one.to if pieces[key].is_ink]
        if one.work in (Work.BASE, Work.CUT, Work.DIE, Work.CUT_OUT):
            told += [] if any(step.measures for step in one.steps) else [f"{one.words}: no size"]
        if one.key.startswith("gloss:"):
            number = one.key.partition(":")[2]
            colours = {key for key in before if key.startswith((f"colour:{number}:", f"out:{number}"))}
            told += [f"{one.words} before {key}" for key in colours - before[one.key]]
    told += list(_trimmed(found, before, pieces))
    if "lay" in before:
        cut = {one.key for one in found if one.work in (Work.CUT, Work.DIE, Work.CUT_OUT, Work.GROUND)}
        told += [f"all is laid dry before {key}" for key in cut - before["lay"]]
    if cut_first:
        told += [f"{one.words}: with scissors" for one in found if one.work is Work.CUT_OUT]
    return told


def _faces(task, pieces, stack):
    """The keys of what a task is done on."""
    if task.work is Work.COLOUR:
        number = int(task.key.split(":")[1])
        shown = [one for one in pieces.values() if one.kind is Kind.IMAGE]
        keys = [one.key for one in shown if stack.of.shows(one.key).picture.key == number]
    else:
        keys = [key for key in task.to if key != BASE]
    on = {pieces[key].on if pieces[key].is_ink else key for key in keys}
    return on | ({BASE} if BASE in task.to else set())


def _trimmed(found, before, pieces):
    """What is trimmed too late, or not at all."""
    trims = {key: one.key for one in found if one.work is Work.TRIM for key in one.to}
    for piece in pieces.values():
        if piece.trimmed and piece.is_laid:
            if piece.key not in trims:
                yield f"{piece.name} is not trimmed"
            elif piece.raised is not Raised.FLAT:
                laid = [
                    one.key for one in found if one.work in (Work.INSIDE, Work.RAISE) and piece.key in one.to
                ]
                yield from (
                    f"{piece.name} is trimmed on foam" for key in laid if trims[piece.key] not in before[key]
                )
