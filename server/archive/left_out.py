"""What of a person's is in no archive, and why: every other column of every other table is (tested)."""

# Tables, by their models.
TABLES = {
    "Invitation": "nobody's: it opens an account",
    "CatalogueStamp": "nobody's: the version of the shared ranges",
    "Glance": "told anew from the card",
    "ReaderState": "the state of a made-up device",
    "SharedRecipe": "a link is of the account that gave it, and ends with it",
    "RecordUse": "noted anew from the record",
}
# Columns of any table.
COLUMNS = {
    "id": "another account has others",
    "owner": "whoever brings it in",
    "version": "counts from the beginning again",
    "created": "it is made here when it is brought in",
    "changed": "it is made here when it is brought in",
    "weight": "worked out by the database",
    "mime": "every picture is made anew as JPEG",
}
# Columns of one table.
OF_TABLES = {
    "Person.password": "known to nobody",
    "Person.last_login": "of the account",
    "Person.name": "of the account",
    "Person.email": "of the account",
    "Person.forgotten_at": "of the account",
    "Person.doors_shut": "of the account",
    "Person.catalogue_version": "counts from the beginning again",
    "Person.drawer_version": "counts from the beginning again",
    "Range.deleted": "of a range that can be had again only what cards name comes along",
    "StoredCard.deleted": "cards that are deleted are in no archive",
    "Colour.key": "follows from code and name",
    "StepTaken.card": "a pace is a person's, whatever it was learnt from",
    "StepTaken.key": "a pace is a person's, whatever it was learnt from",
    "TrainingAnswer.digest": "of the token that it was asked with",
}
