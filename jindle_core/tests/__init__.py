"""The core, tested by itself: `python -m unittest discover jindle_core` runs it without a framework."""

import hypothesis

# The same examples every time, forty where a test says nothing else (ten where one takes long, and
# `./jindle trial changes` tries thousands), and never a test that fails because the machine is busy.
hypothesis.settings.register_profile(
    "jindle",
    max_examples=40,
    deadline=None,
    derandomize=True,
    suppress_health_check=[hypothesis.HealthCheck.too_slow],
)
hypothesis.settings.load_profile("jindle")
