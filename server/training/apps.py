from django.apps import AppConfig


class TrainingConfig(AppConfig):
    """What eyes were asked, what they answered, and what comes back."""

    name = "server.training"
    label = "training"
