"""Makes every file in demo/data: ``python -m demo.make [folder]``.

Ranges come from the made-up dyes of ``demo.dyes``; the Lab of a range that
was read is computed from its spectra, which stand beside it.
"""

import csv
import io
import json
import sys
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

import numpy as np
from PIL import Image

from demo.dyes import BANDS, swatch
from demo.names import Namer
from demo.papers import draw_sheet
from jindle_core.colorimetry.spaces import lab_to_hex, reflectance_to_lab
from jindle_core.fullness import Kept
from jindle_core.interchange.drawer_csv import FULLNESS, KeptLine, write_drawer
from jindle_core.interchange.entries import Entry
from jindle_core.interchange.range_csv import write_range

DATA = Path(__file__).parent / "data"
Recipe = dict[str, float]

# Families of the marker range: a word and the dyes at full depth.
FAMILIES: dict[str, Recipe] = {
    "STRAW": {"straw": 2.4, "amber": 0.1},
    "LAMP": {"straw": 2.0, "amber": 1.1},
    "CLAY": {"amber": 2.6, "rust": 1.3},
    "BILL": {"rust": 2.8, "straw": 1.6},
    "BEET": {"berry": 3.4, "straw": 0.7},
    "BRIAR": {"mallow": 2.6, "berry": 0.6},
    "MALLOW": {"mallow": 2.4, "plum": 0.2},
    "PLUM": {"plum": 3.2, "mallow": 0.8},
    "DUSK": {"ink": 2.2, "plum": 1.6},
    "FERRY": {"ink": 3.8, "tarn": 0.5},
    "MILL": {"ink": 2.6, "tarn": 2.4, "soot": 0.1},
    "TARN": {"tarn": 3.2, "leaf": 0.35},
    "WEIR": {"tarn": 1.9, "leaf": 0.9},
    "DRAKE": {"tarn": 1.5, "leaf": 2.0},
    "BEAN": {"leaf": 2.8, "tarn": 0.4},
    "REED": {"leaf": 2.0, "straw": 1.8, "rust": 0.35},
    "MOSS": {"leaf": 2.4, "amber": 1.2, "rust": 0.6},
    "SEDGE": {"leaf": 1.2, "amber": 1.8, "bark": 0.5},
    "SILT": {"bark": 2.0, "rust": 0.5, "soot": 0.15},
    "ROPE": {"bark": 1.6, "amber": 0.8, "rust": 0.4},
    "PEAT": {"bark": 2.6, "rust": 1.3, "soot": 0.9},
    "OTTER": {"rust": 1.5, "bark": 1.8, "plum": 0.5},
    "ROOK": {"soot": 5.2, "ink": 0.5},
    "STONE": {"soot": 3.0, "bark": 0.45},
    "CLOUD": {"soot": 2.6, "ink": 0.12},
}
# What some ranges say of how they get on with others.
_PROPERTIES = {
    "tallowick": {"solvent_proof": True},
    "skiffboard": {"surface": "heavy cardstock"},
    "landing": {"surface": "hard smooth board", "wet_layers": 4},
    "nightferry": {"waterproof": True},
    "tinwater": {"metallic": True},
}
_SHEET_SIDE = 420  # pixels of a drawn sheet
_SHEET_WIDTH = 152.4  # mm of it: a pad of six inches
_DEPTHS = (0.025, 0.075, 0.2, 0.5, 1.2, 3.2)
_HUE_RING = ("straw", "amber", "rust", "berry", "mallow", "plum", "ink", "tarn", "leaf")


@dataclass(frozen=True)
class Range:
    """A range to be made: what it is, and its swatches as (code, family, reflectance)."""

    slug: str
    name: str
    maker: str
    medium: str
    note: str
    provenance: str
    paper: str
    swatches: tuple[tuple[str, str, np.ndarray], ...]
    named: bool
    seed: int


def _scaled(recipe: Recipe, depth: float) -> Recipe:
    """A recipe at another depth; deep ones are shaded, as makers do."""
    scaled = {dye: amount * depth for dye, amount in recipe.items()}
    return scaled | {"soot": scaled.get("soot", 0) + 0.08 * depth**2}


def _around(
    random: np.random.Generator, count: int, depths: tuple[float, float], greyed: float
) -> Iterator[Recipe]:
    """Mixtures spread evenly round the ring of dyes, light to deep, some greyed or browned."""
    steps = np.linspace(0, len(_HUE_RING), count, endpoint=False)
    for number, step in enumerate(steps):
        if number % 9 == 8:  # every ninth a neutral
            soot = np.exp(random.uniform(np.log(0.02), np.log(25)))
            yield {
                "soot": soot,
                "bark": soot * random.uniform(0, 0.12),
                "ink": soot * random.uniform(0, 0.08),
            }
            continue
        first, share = int(step), step - int(step)
        second = (first + 1) % len(_HUE_RING)
        depth = np.exp(random.uniform(*np.log(depths)))
        recipe = {_HUE_RING[first]: depth * (1 - share), _HUE_RING[second]: depth * share}
        if random.random() < greyed:
            recipe["soot" if random.random() < 0.5 else "bark"] = depth * random.uniform(0.05, 0.9)
        yield recipe


def _markers_by_family() -> Range:
    swatches = tuple(
        (f"{word}-{number}", word.lower(), swatch(_scaled(recipe, depth)))
        for word, recipe in FAMILIES.items()
        for number, depth in enumerate(_DEPTHS, start=1)
    )
    return Range(
        "wherry", "Wherry", "Fennick & Rowe", "alcohol marker",
        "A family word and a depth, 1 the palest and 6 the deepest: TARN-4.",
        "read", "smooth white", swatches, True, 11,
    )  # fmt: skip


def _numbered(slug, name, maker, medium, note, provenance, paper, numbers, depths, greyed, seed) -> Range:
    random = np.random.default_rng(seed)
    recipes = _around(random, len(numbers), depths, greyed)
    swatches = tuple((code, "", swatch(recipe, paper)) for code, recipe in zip(numbers, recipes, strict=True))
    return Range(slug, name, maker, medium, note, provenance, paper, swatches, True, seed)


def _oil_pencils() -> Range:
    words = list(FAMILIES)[::2][:12]
    swatches = tuple(
        (f"{depth} {word.lower()}", word.lower(), swatch(_scaled(FAMILIES[word], share)))
        for word in words
        for depth, share in zip(
            ("pale", "light", "mid", "full", "deep", "dark"), (0.04, 0.1, 0.22, 0.5, 0.9, 1.6), strict=True
        )
    )
    return Range(
        "withycut", "Withycut", "Penlow Pencil Shed", "oil pencil",
        "A depth and a family word, from pale to dark: mid reed.",
        "label", "smooth white", swatches, False, 61,
    )  # fmt: skip


def _metals() -> Range:
    """Metallic card, by what it looks like straight on; it turns with the light."""
    metals = {
        "tin roof": {"soot": 0.22},
        "lamp brass": {"amber": 0.75, "straw": 0.5, "soot": 0.2},
        "kettle copper": {"rust": 1.1, "amber": 0.5, "soot": 0.2},
        "herring side": {"soot": 0.1, "tarn": 0.06},
        "anchor chain": {"soot": 1.2, "ink": 0.1},
    }
    swatches = tuple((name, "", swatch(recipe, "white core")) for name, recipe in metals.items())
    return Range(
        "tinwater", "Tinwater", "Landing Stage Paper", "cardstock",
        "Names without codes; metallic, so what stands here is how it looks straight on.",
        "label", "white core", swatches, False, 97,
    )  # fmt: skip


def _sheets(slug, name, maker, titles, seed) -> Range:
    random = np.random.default_rng(seed)
    swatches = []
    for number, title in enumerate(titles):
        start = number * len(_HUE_RING) / len(titles)
        palette = [{"bark": random.uniform(0.01, 0.06), "straw": random.uniform(0, 0.08)}]  # the ground
        for step, depth in ((0, 1.1), (1, 0.4), (4.4, 1.4), (0.4, 5.0)):
            place = (start + step) % len(_HUE_RING)
            first, share = int(place), place - int(place)
            recipe = {
                _HUE_RING[first]: depth * (1 - share),
                _HUE_RING[(first + 1) % len(_HUE_RING)]: depth * share,
            }
            palette.append(recipe | {"soot": depth**2 * random.uniform(0.03, 0.12)})
        slots = zip(("ground", "main", "second", "spark", "line"), palette, strict=True)
        swatches += [(f"{title}, {slot}", title, swatch(recipe, "white core")) for slot, recipe in slots]
    return Range(
        slug, name, maker, "patterned paper",
        "The sheet's title and the part of its pattern: ground, main, second, spark, line.",
        "photographed", "white core", tuple(swatches), False, seed,
    )  # fmt: skip


def ranges() -> list[Range]:
    """Every range of the demo, in the order in which they are shown."""
    return [
        _markers_by_family(),
        _numbered("lockside", "Lockside", "Ottermoor Colour", "alcohol marker", "Plain running numbers, 1 to 108, with a name each.", "read", "smooth white", [str(n) for n in range(1, 109)], (0.05, 5.0), 0.35, 21),
        _numbered("brackwater", "Brackwater", "Ottermoor Colour", "dye ink pad", "Names without codes.", "read", "smooth white", [""] * 108, (0.08, 6.0), 0.4, 31),
        _numbered("tallowick", "Tallowick", "Hythe Lane", "pigment ink pad", "Four-digit numbers in steps of five, with a name each.", "label", "smooth white", [str(n) for n in range(7005, 7275, 5)], (0.3, 5.0), 0.25, 41),
        _numbered("duskpan", "Duskpan", "Hythe Lane", "chalk ink pad", "Names without codes.", "screen", "smooth white", [""] * 27, (0.1, 1.4), 0.7, 43),
        _numbered("osierling", "Osierling", "Penlow Pencil Shed", "wax pencil", "Tray and slot: 3.07 is the seventh pencil of tray 3.", "read", "smooth white", [f"{tray}.{slot:02}" for tray in range(1, 6) for slot in range(1, 25)], (0.06, 4.0), 0.35, 51),
        _oil_pencils(),
        _numbered("millrace", "Millrace", "Penlow Pencil Shed", "water-based marker", "A row and a place in it: 4/07 is the seventh pen of the fourth row.", "read", "smooth white", [f"{row}/{place:02}" for row in range(1, 7) for place in range(1, 13)], (0.05, 4.0), 0.3, 67),
        _numbered("skiffboard", "Skiffboard", "Landing Stage Paper", "cardstock", "Three-digit numbers with a name each.", "read", "white core", [str(n) for n in range(101, 200)], (0.03, 6.5), 0.4, 71),
        _numbered("landing", "Landing", "Landing Stage Paper", "cardstock", "Names without codes.", "photographed", "white core", [""] * 72, (0.03, 5.0), 0.45, 73),
        _sheets("towpath", "Towpath", "Landing Stage Paper", ("Sluice no. 3", "Moorings", "Rain on water", "Lock keeper", "Wet slate", "Reed cutters", "Boatyard tiles", "Swing bridge", "Cygnets", "Quay lights"), 81),
        _sheets("allotment", "Allotment Rows", "Bean & Trellis", ("Bean poles", "Seed packets", "Cold frame", "Rhubarb forcer", "Marrow race", "Shed roof", "Netting", "Water butt"), 83),
        _numbered("nightferry", "Nightferry", "Hythe Lane", "gel pen", "Names without codes.", "read", "smooth white", [""] * 18, (0.8, 6.0), 0.3, 91),
        _metals(),
        _numbered("emberfall", "Emberfall", "Hythe Lane", "embossing powder", "Names without codes.", "read", "smooth white", [""] * 18, (0.3, 6.0), 0.3, 97),
        _numbered("pebblepot", "Pebblepot", "Fennick & Rowe", "finishing piece", "Names without codes: drops, pebbles and enamel dots.", "label", "smooth white", [""] * 27, (0.3, 6.0), 0.2, 101),
    ]  # fmt: skip


def entries(made: Range) -> list[Entry]:
    """The range's colours as they go into its file."""
    namer = Namer(made.seed)
    random = np.random.default_rng(made.seed + 1000)
    listed = []
    for row, (code, family, reflectance) in enumerate(made.swatches, start=2):
        lab = np.round(reflectance_to_lab(reflectance), 2) + 0.0
        name = namer.name(lab) if made.named else ""
        gone = bool(made.named and random.random() < 0.04)
        paper = "" if made.medium in ("cardstock", "patterned paper") else made.paper
        listed.append(Entry(row, code, name, tuple(lab), made.provenance, family, paper, gone))
    return listed


def _spectra(made: Range, listed: list[Entry]) -> str:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(["colour", *(f"R{band}" for band in BANDS)])
    for one, (_, _, reflectance) in zip(listed, made.swatches, strict=True):
        writer.writerow([one.key, *(f"{value:.4f}" for value in reflectance)])
    return out.getvalue()


_NEEDED = {
    "Wherry": ("DRAKE-3", "DRAKE-4", "FERRY-6"),
    "Skiffboard": ("102", "108", "166", "185"),
    "Tinwater": ("lamp brass",),
    "Brackwater": ("morning water mint",),
}


def _drawer(made: Range, listed: list[Entry]) -> Iterator[KeptLine]:
    """About every third colour is owned, and whole families of the markers; a few run low or dry.

    What the demo cards are cut from, or laid with, is there.
    """
    random = np.random.default_rng(made.seed + 2000)
    lasting = made.medium in ("cardstock", "patterned paper")
    for one in listed:
        needed = one.key in _NEEDED.get(made.name, ())
        if one.family in ("tarn", "reed", "clay", "rook", "stone") or random.random() < 0.3:
            full = "full" if lasting else random.choice(FULLNESS, p=(0.72, 0.14, 0.09, 0.05))
            full = "half" if needed and full == "dry" else full
            note = "order two" if full == "dry" else ""
            yield KeptLine(0, made.name, one.key, Kept(str(full), note))
        elif needed:
            yield KeptLine(0, made.name, one.key, Kept())


def files() -> dict[str, str]:
    """Every file to be made: its path in the data folder, its text."""
    made_files, about, owned = {}, [], []
    for made in ranges():
        listed = entries(made)
        made_files[f"ranges/{made.slug}.csv"] = write_range(listed)
        if made.provenance == "read":
            made_files[f"spectra/{made.slug}.csv"] = _spectra(made, listed)
        owned += _drawer(made, listed)
        fields = ("slug", "name", "maker", "medium", "note", "provenance")
        told = {field: getattr(made, field) for field in fields}
        said = {"properties": _PROPERTIES[made.slug]} if made.slug in _PROPERTIES else {}
        about.append(told | said)
    made_files["papers.json"] = json.dumps(drawings()[1], indent=1, ensure_ascii=False) + "\n"
    made_files["ranges.json"] = json.dumps(about, indent=2, ensure_ascii=False) + "\n"
    made_files["drawer.csv"] = write_drawer(owned)
    return made_files


def drawings() -> tuple[dict[str, bytes], list[dict]]:
    """The sheets of patterned paper: their pictures by path, and what stands of each in papers.json.

    A picture's pixels are the places of the sheet's colours, in the range's order.
    """
    pictures, about = {}, []
    for made in ranges():
        if made.medium != "patterned paper":
            continue
        titles = list(dict.fromkeys(family for _, family, _ in made.swatches))
        for number, title in enumerate(titles):
            labs = [reflectance_to_lab(one) for _, family, one in made.swatches if family == title]
            labels = draw_sheet(len(labs), made.seed + number, _SHEET_SIDE, None if number % 3 else 0.012)
            image = Image.fromarray(labels, "P")
            image.putpalette(b"".join(bytes.fromhex(shade[1:]) for shade in lab_to_hex(np.array(labs))))
            out = io.BytesIO()
            image.save(out, "PNG", optimize=True)
            path = f"papers/{made.slug}-{number + 1:02}.png"
            pictures[path] = out.getvalue()
            shares = np.bincount(labels.ravel(), minlength=len(labs)) / labels.size
            about.append(
                {
                    "range": made.name,
                    "title": title,
                    "picture": path,
                    "width_mm": _SHEET_WIDTH,
                    "shares": [round(float(one), 4) for one in shares],
                }
            )
    return pictures, about


def main(folder: Path) -> None:
    """Write every file into the folder."""
    pictures, _ = drawings()
    whole = {name: text.encode() for name, text in files().items()} | pictures
    for name, content in whole.items():
        path = folder / name
        path.parent.mkdir(parents=True, exist_ok=True)
        path.write_bytes(content)


if __name__ == "__main__":
    main(Path(sys.argv[1]) if len(sys.argv) > 1 else DATA)
