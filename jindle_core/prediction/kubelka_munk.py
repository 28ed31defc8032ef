"""How do absorbing and scattering layers return light? (Kubelka and Munk 1931, Kubelka 1948)"""

import numpy as np

from jindle_core.colorimetry.spaces import Array

_BISECTIONS = 40
_ABSORPTION_LIMITS = (1e-6, 1e3)


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
    """The K with which a film of this S over a ground shows the reflectance ``seen``.

    Bisection in log K; where no K can (brighter than the bare film) the least is given.
    """
    seen, scattering, ground = np.broadcast_arrays(seen, scattering, ground)
    low, high = (np.full(seen.shape, np.log(limit)) for limit in _ABSORPTION_LIMITS)
    for _ in range(_BISECTIONS):
        middle = (low + high) / 2
        too_light = film(np.exp(middle), scattering, ground) > seen
        low, high = np.where(too_light, middle, low), np.where(too_light, high, middle)
    return np.asarray(np.exp((low + high) / 2))
