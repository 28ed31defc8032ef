"""How do absorbing and scattering layers return light? (Kubelka and Munk 1931, Kubelka 1948)"""

import numpy as np

from jindle_core.colorimetry.spaces import Array

_ABSORPTION_LIMITS = (1e-6, 1e3)
_STEPS = 420  # of the table, in log K
_STEP, _NUDGE = 0.05, 1e-5  # between two of them; by how much K is changed to see a slope


def absorption(reflectance: Array) -> Array:
    """K/S of an opaque layer with this reflectance, 0–1."""
    return (1 - reflectance) ** 2 / (2 * reflectance)


def reflectance_of(absorbed: Array) -> Array:
    """The reflectance of an opaque layer with this K/S; the inverse of ``absorption``."""
    return 1 + absorbed - np.sqrt(absorbed**2 + 2 * absorbed)


def film(absorbing: Array, scattering: Array, ground: Array) -> Array:
    """Reflectance of a film over a ground (Kubelka 1948, eq. 9'); arguments broadcast.

    ``absorbing`` (K) and ``scattering`` (S) are those of the whole film, S
    above 0; ``ground`` is the reflectance under it, 0–1.
    """
    a = 1 + absorbing / scattering
    b = np.sqrt(a**2 - 1)
    # Beyond 20 coth is 1 to machine precision, and cosh would overflow.
    turned = b / np.tanh(np.clip(b * scattering, 1e-9, 20))
    return (1 - ground * (a - turned)) / (a - ground + turned)


def film_absorption(seen: Array, scattering: Array, ground: Array) -> Array:
    """The K (…, bands) with which a film of this S over a ground shows the reflectance ``seen``.

    Arguments broadcast, bands last. Where no K can (brighter than the bare
    film) the least is given. Read off a table of the film, once for all that
    lie over the same with the same S, and mended by a step of Newton's.
    """
    seen, scattering, ground = (np.asarray(one, dtype=float) for one in (seen, scattering, ground))
    shape = np.broadcast_shapes(seen.shape, scattering.shape, ground.shape)
    if 0 in shape:
        return np.empty(shape)
    wanted = np.broadcast_to(seen, shape).reshape(-1, shape[-1])
    under = np.stack(np.broadcast_arrays(scattering, ground), axis=-1)
    if under.ndim == 2:
        return _absorption_from_table(wanted, *under.T).reshape(shape)
    films = np.broadcast_to(under, (*shape, 2)).reshape(len(wanted), 2 * shape[-1])
    each, which = np.unique(films, axis=0, return_inverse=True)
    found = np.empty(wanted.shape)
    for at, one in enumerate(each.reshape(len(each), -1, 2)):
        there = which.ravel() == at
        found[there] = _absorption_from_table(wanted[there], *one.T)
    return found.reshape(shape)


def _absorption_from_table(seen: Array, scattering: Array, ground: Array) -> Array:
    """The same of reflectances (m, bands) over one ground (bands,) with one S (bands,)."""
    low, high = np.log(_ABSORPTION_LIMITS)
    steps = np.linspace(low, high, _STEPS)
    shown = film(np.exp(steps)[:, None], scattering, ground)
    found = np.stack(
        [np.interp(-one, -told, steps) for one, told in zip(seen.T, shown.T, strict=True)], axis=-1
    )
    absorbed = np.exp(found)
    light = film(absorbed, scattering, ground)
    slope = (film(absorbed * (1 + _NUDGE), scattering, ground) - light) / _NUDGE
    inside = (found > steps[0]) & (found < steps[-1]) & (slope < 0)
    mended = np.clip((seen - light) / np.where(inside, slope, -1.0), -_STEP, _STEP)
    return np.asarray(np.exp(found + np.where(inside, mended, 0.0)))
