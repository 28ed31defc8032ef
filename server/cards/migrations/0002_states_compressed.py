from django.db import migrations

import server.cards.packed


def pack(apps, schema_editor):
    """Every state into the compressed column, some at a time: there may be very many."""
    revisions = apps.get_model("cards", "Revision").objects.order_by("pk")
    for revision in revisions.iterator(chunk_size=100):
        revision.packed = revision.stored
        revision.save(update_fields=["packed"])


class Migration(migrations.Migration):
    dependencies = [("cards", "0001_initial")]
    operations = [
        migrations.AddField("revision", "packed", server.cards.packed.PackedJSONField(default=dict)),
        migrations.RunPython(pack, migrations.RunPython.noop),
        migrations.RemoveField("revision", "stored"),
        migrations.RenameField("revision", "packed", "stored"),
        migrations.AlterField("revision", "stored", server.cards.packed.PackedJSONField()),
    ]
