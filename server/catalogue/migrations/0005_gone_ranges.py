from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("catalogue", "0004_properties")]
    operations = [migrations.AddField("range", "gone", models.BooleanField(default=False))]
