from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("cards", "0002_states_compressed")]

    operations = [migrations.RenameModel("Card", "StoredCard")]
