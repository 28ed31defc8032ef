from django.db import migrations, models
from django.db.migrations.state import StateApps


def demo_has_them(apps: StateApps, editor: object) -> None:
    """The demo studio alone had no password, and shows what they do."""
    apps.get_model("accounts", "Person").objects.filter(password__startswith="!").update(stand_ins=True)


class Migration(migrations.Migration):
    dependencies = [("accounts", "0006_training")]

    operations = [
        migrations.AddField(
            model_name="person", name="stand_ins", field=models.BooleanField(default=False)
        ),
        migrations.RunPython(demo_has_them, migrations.RunPython.noop),
    ]
