from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("catalogue", "0010_simulated")]

    operations = [
        migrations.AddField(model_name="range", name="deleted", field=models.DateTimeField(null=True)),
    ]
