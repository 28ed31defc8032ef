"""A year of what was made, on paper."""

from base64 import b64encode
from datetime import MAXYEAR, MINYEAR
from typing import Any

from django.db.models import Count, Sum
from django.http import Http404

from server.access import records_of
from server.accounts.models import Person
from server.catalogue.printing import pdf
from server.records.models import Record, RecordUse
from server.records.sheet import Paper

_ACROSS = 4  # small pictures beside each other
_MOST_USED = 24


def year_pdf(person: Person, year: int, paper: Paper) -> bytes:
    """Its pages; 404 where nothing was made then."""
    if not MINYEAR <= year <= MAXYEAR:
        raise Http404
    made = records_of(person).filter(made__year=year).order_by("made", "id")
    records = list(made.defer("stored", "recipes").prefetch_related("photos"))
    if not records:
        raise Http404
    uses = RecordUse.objects.filter(record__in=made)
    used = uses.values("label", "range_name").annotate(times=Count("record", distinct=True))
    told = [_told(one) for one in records]
    page = {
        "title": str(year),
        "sheet": paper.value,
        "kinds": len(records),
        "cards": made.aggregate(all=Sum("count"))["all"],
        "rows": [told[at : at + _ACROSS] for at in range(0, len(told), _ACROSS)],
        "used": used.order_by("-times", "range_name", "label")[:_MOST_USED],
    }
    return pdf("print/year.html", page)


def _told(record: Record) -> dict[str, Any]:
    photo = next(iter(record.photos.all()), None)
    content, kind = (photo.picture, "image/jpeg") if photo else (record.picture, "image/webp")
    return {
        "name": record.name,
        "day": f"{record.made:%-d %B}",
        "count": record.count,
        "for": ", ".join(one for one in (record.occasion, record.person) if one),
        "picture": content and f"data:{kind};base64,{b64encode(bytes(content)).decode()}",
    }
