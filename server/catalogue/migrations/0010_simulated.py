from django.db import migrations, models
from django.db.migrations.state import StateApps

_DEVICE = "Simulated swatch reader"  # the only one that there has been


def read_by_it(apps: StateApps, editor: object) -> None:
    """What it read so far says so in the name of what it was read with."""
    apps.get_model("catalogue", "Reading").objects.filter(taken_with=_DEVICE).update(simulated=True)


class Migration(migrations.Migration):
    dependencies = [("catalogue", "0009_strip")]

    operations = [
        migrations.AddField(
            model_name="reading", name="simulated", field=models.BooleanField(default=False)
        ),
        migrations.RunPython(read_by_it, migrations.RunPython.noop),
    ]
