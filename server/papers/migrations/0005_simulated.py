from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("papers", "0004_weights")]

    operations = [
        migrations.AddField(
            model_name="paper", name="simulated", field=models.BooleanField(default=False)
        ),
    ]
