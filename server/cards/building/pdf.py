"""What is to be cut as PDF: the list of pieces with a ruler, then every sheet in its true size."""

from html import escape
from typing import Any

from server.catalogue.printing import pdf

_RULERS = (("0 to 4 in", 101.6, 25.4), ("0 to 100 mm", 100.0, 10.0))


def cutting_pdf(title: str, built: dict[str, Any], cutting: dict[str, Any]) -> bytes:
    """The pages, from the build and the cutting as the API tells them."""
    first = cutting["sheets"][0]
    style = _STYLE + "".join(
        f"@page s{n} {{ size: {one['width']:.3f}mm {one['height']:.3f}mm; margin: 0 }} .s{n} {{ page: s{n} }}"
        for n, one in enumerate(cutting["sheets"])
    )
    style += f"@page {{ size: {first['width']:.3f}mm {first['height']:.3f}mm; margin: 14mm }}"
    pages = [_listed(title, built, cutting)]
    pages += [_sheet(number, sheet) for number, sheet in enumerate(cutting["sheets"])]
    return pdf(title, style, "".join(pages))


def _listed(title: str, built: dict[str, Any], cutting: dict[str, Any]) -> str:
    rows = "".join(
        f"<tr><td>{escape(one['name'])}<td>{escape(one['size'])}<td>{one['count']}"
        f"<td>{escape(one['material'])}<td>{escape(one['out_of'] or one['direction'])}"
        for one in cutting["pieces"]
    )
    middles = "".join(
        f"<p>The middle of {escape(one['name'])} is hidden: {escape(one['size'])} can be cut out of it.</p>"
        for one in cutting["middles"]
    )
    rulers = "".join(_ruler(*one) for one in _RULERS)
    return f"""<section class=list><h1>{escape(title)}</h1>
<p>The base is {escape(built["flat"])} before it is folded; score it {escape(built["score"])}.</p>
<table><tr><th>Piece<th>Size<th>Count<th>Of<th>Lies{rows}</table>{middles}
<p>Print at 100 %, not fitted to the page, and lay a ruler on these lines:</p>{rulers}
<p>Cut away from your hand, along a metal ruler or with the trimmer’s guard down; cap the blade.</p>
</section>"""


def _ruler(words: str, length: float, step: float) -> str:
    ticks = "".join(f"<i style='left:{n * step:.2f}mm'></i>" for n in range(round(length / step) + 1))
    return f"<div class=ruler style='width:{length:.2f}mm'>{ticks}<span>{words}</span></div>"


def _sheet(number: int, sheet: dict[str, Any]) -> str:
    drawn = "".join(_cut(cut) for cut in sheet["cuts"])
    drawn += "".join(
        f"<div class=left style='{_place(one)}'><span>left over, {escape(one['size'])}</span></div>"
        for one in sheet["left"]
    )
    name = f"<p class=of>{escape(sheet['material']['words'])}</p>"
    size = f"width:{sheet['width']:.3f}mm;height:{sheet['height']:.3f}mm"
    return f"<section class='sheet s{number}' style='{size}'>{drawn}{name}</section>"


def _cut(cut: dict[str, Any]) -> str:
    """A piece as it is cut, a base with the line on which it is scored, a mat with its middle."""
    turned = ", turned" if cut["turned"] else ""
    drawn = f"<div class=cut style='{_place(cut)}'>{escape(cut['name'])}, {escape(cut['size'])}{turned}</div>"
    if line := cut["score"]:
        wide, high = line["x2"] - line["x1"], line["y2"] - line["y1"]
        box = {"x": line["x1"], "y": line["y1"], "width": wide, "height": high}
        drawn += f"<div class=score style='{_place(box)}'><span>score here</span></div>"
    if cut["hole"]:
        drawn += f"<div class=hole style='{_place(cut['hole'])}'>its middle, for smaller pieces</div>"
    return drawn


def _place(box: dict[str, Any]) -> str:
    sides = (("left", "x"), ("top", "y"), ("width", "width"), ("height", "height"))
    return ";".join(f"{name}:{box[side]:.3f}mm" for name, side in sides)


_STYLE = """
body { font: 9pt/1.35 Text, More, Rest, sans-serif; color: #111; margin: 0 }
h1 { font: 600 16pt Head, Text, More, Rest, sans-serif; margin: 0 0 4mm; overflow-wrap: anywhere }
.list { break-after: page }
table { border-collapse: collapse; margin: 3mm 0 }
th, td { text-align: left; padding: 0.6mm 6mm 0.6mm 0; overflow-wrap: anywhere }
.ruler { position: relative; height: 7mm; border-top: 0.3mm solid #111; margin: 3mm 0 }
.ruler i { position: absolute; top: 0; width: 0; height: 2.5mm; border-left: 0.2mm solid #111 }
.ruler span { position: absolute; top: 3mm; left: 0; font-size: 7pt }
.sheet { position: relative; overflow: hidden }
.sheet + .sheet { break-before: page }
.cut { position: absolute; box-sizing: border-box; border: 0.15mm solid #111; padding: 1mm; font-size: 7pt;
  overflow: hidden }
.left { position: absolute; box-sizing: border-box; padding: 1mm; font-size: 7pt; color: #777;
  overflow: hidden }
.hole { position: absolute; box-sizing: border-box; border: 0.2mm dashed #111; padding: 1mm; font-size: 7pt }
.score { position: absolute; border-top: 0.25mm dashed #111; border-left: 0.25mm dashed #111 }
.score span { position: absolute; left: 2mm; top: 1mm; font-size: 7pt; white-space: nowrap }
.of { position: absolute; right: 2mm; bottom: 1mm; margin: 0; font-size: 7pt; color: #555 }
"""
