"""What of the client is fetched, and how soon a tab that was chosen is there on a slow device."""

import re
import statistics

from playwright.sync_api import Page

from bench.visitor import ADDRESS, Row
from e2e.browser import chromium, new_page

STAGES = ("Contrast", "Colouring", "Background", "Build", "Plan", "Record")
SLOWED = 4  # times, as a phone of some years ago is beside a desk's machine
TURNS = 9  # through all stages, the first of which only fetches
_SCRIPTS = """performance.getEntriesByType('resource')
  .filter((one) => new URL(one.name).pathname.endsWith('.js'))
  .map((one) => [new URL(one.name).pathname, one.encodedBodySize])"""
# From the press until the stage is first painted, and until it is whole; without the time that the server was
# asked.
_CHOSEN = """(words) => new Promise((done) => {
  const links = [...document.querySelectorAll('nav[aria-label=Stages] a')]
  const link = links.find((one) => one.innerText.startsWith(words))
  const start = performance.now()
  const beside = (end) => {
    const now = performance.getEntriesByType('resource')
    const calls = now.filter((one) => one.startTime >= start && one.name.includes('/api/'))
    const spans = calls.map((one) => [one.startTime, Math.min(one.responseEnd, end)])
    let [server, until] = [0, 0]
    for (const [from, to] of spans.sort((a, b) => a[0] - b[0])) {
      server += Math.max(to - Math.max(from, until), 0)
      until = Math.max(until, to)
    }
    return end - start - server
  }
  const seen = []
  const look = () => {
    // Asked right after the frame was painted, which is when a message to oneself arrives.
    const waiting = !link.ariaCurrent || document.querySelector('main .text-soft:only-child')
    const busy = document.querySelector('main [aria-busy=true]')
    if (!waiting && !seen.length) seen.push(beside(performance.now()))
    if (waiting || busy) return requestAnimationFrame(painted)
    done([...seen, beside(performance.now())])
  }
  const painted = () => {
    const channel = new MessageChannel()
    channel.port1.onmessage = look
    channel.port2.postMessage(null)
  }
  link.click()
  requestAnimationFrame(painted)
})"""


def screen_rows() -> list[Row]:
    """Script of a first load and of each stage; the answer to a tab that is chosen."""
    with chromium() as browser:
        page = new_page(browser)
        page.goto(ADDRESS + "/")
        page.get_by_role("button", name="Open the demo studio").click()
        card = page.get_by_role("link", name=re.compile("^.*Kingfisher"))
        card.wait_for()
        page.wait_for_load_state("networkidle")
        seen = dict(page.evaluate(_SCRIPTS))
        first = sum(seen.values()) / 1000
        card.click()
        page.get_by_role("grid").wait_for()
        more = {"Palette": _fresh(page, seen)}
        for stage in STAGES:
            page.get_by_role("link", name=stage).first.click()
            page.wait_for_load_state("networkidle")
            more[stage] = _fresh(page, seen)
        slow = page.context.new_cdp_session(page)
        slow.send("Emulation.setCPUThrottlingRate", {"rate": SLOWED})
        times: dict[str, list[tuple[float, float]]] = {stage: [] for stage in ("Palette", *STAGES)}
        for turn in range(TURNS):
            for stage, taken in times.items():
                found = page.evaluate(_CHOSEN, stage)
                if turn:
                    taken.append(found)
    name, largest = max(more.items(), key=lambda one: one[1])
    first_seen, whole = (
        {stage: statistics.median(one[turn] for one in taken) for stage, taken in times.items()}
        for turn in (0, 1)
    )
    worst = max(first_seen, key=first_seen.__getitem__)
    return [
        (
            "Script of a first load up to the list of cards, compressed",
            "≤ 100 kB",
            f"{first:.0f} kB",
            first <= 100,
        ),
        (
            "Script that a stage needs more, compressed, the largest",
            "≤ 60 kB",
            f"{largest:.0f} kB ({name})",
            largest <= 60,
        ),
        (
            f"A stage opened before is chosen again and painted, beside the API, CPU {SLOWED} × slowed: the "
            "slowest; the median of all, and until they are whole",
            "≤ 100 ms; told",
            f"{first_seen[worst]:.0f} ms ({worst}); {statistics.median(first_seen.values()):.0f} ms, "
            f"{statistics.median(whole.values()):.0f} ms",
            first_seen[worst] <= 100,
        ),
    ]


def _fresh(page: Page, seen: dict[str, int]) -> float:
    """kB of script that was fetched since the last time."""
    page.wait_for_load_state("networkidle")
    now = dict(page.evaluate(_SCRIPTS))
    fresh = sum(size for name, size in now.items() if name not in seen) / 1000
    seen.update(now)
    return fresh
