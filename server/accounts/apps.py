from django.apps import AppConfig


class AccountsConfig(AppConfig):
    """People and their settings."""

    name = "server.accounts"
    label = "accounts"
