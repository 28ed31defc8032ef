"""How sheets of paper travel in an archive."""

from jindle_core.card.changes.palette import checked_name
from server.access import deleted_papers_of, papers_seen_by
from server.catalogue.models import Range
from server.papers.actions import checked_width
from server.papers.models import Paper
from server.parcel import Packing, Unpacking, among, named, shelved, since_now
from server.zipped import PICTURES


def pack_papers(parcel: Packing) -> None:
    """Own sheets with their pictures; what every sheet is called."""
    every = papers_seen_by(parcel.person) | deleted_papers_of(parcel.person)
    sheets = every.select_related("range").defer("picture").order_by("id")
    papers = [one for one in sheets if one.owner_id == parcel.person.pk]
    own = {one.pk: f"own {number}" for number, one in enumerate(papers, start=1)}
    pictures = {f"{PICTURES}{number:04}.jpg": paper for number, paper in enumerate(papers, start=1)}
    for name, paper in pictures.items():
        parcel.put(name, bytes(every.values_list("picture", flat=True).get(pk=paper.pk)))
    parcel.sheets = {one.pk: named(one.pk, f"{one.range.name}: {one.title}", own) for one in sheets}
    parcel.tell(
        "papers.json",
        [
            {
                "range": parcel.own_ranges[paper.range_id],
                "title": paper.title,
                "picture": name,
                "width": paper.width_mm,
                "simulated": paper.simulated,
                **shelved(paper),
            }
            for name, paper in pictures.items()
        ],
    )


def unpack_papers(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    lines = parcel.read("papers.json")
    for shared in papers_seen_by(parcel.person).select_related("range").defer("picture"):
        parcel.sheets[named(shared.pk, f"{shared.range.name}: {shared.title}", {})] = shared.pk
    for number, one in enumerate(lines, start=1):
        stored = Paper.objects.create(
            owner=parcel.person,
            range=Range.objects.get(pk=parcel.ranges[one["range"]], owner=parcel.person),
            title=checked_name(one["title"], "title")[:120],
            # Those under this name were looked at when they were unpacked.
            picture=parcel.files[PICTURES + one["picture"].removeprefix(PICTURES)],
            mime="image/jpeg",
            width_mm=checked_width(one.get("width")),
            simulated=among(one.get("simulated", False), (True, False)),
            **since_now(one),
        )
        parcel.sheets[f"own {number}"] = stored.pk
    return {"papers": len(lines)}
