"""Accounts, catalogue, cards and their API: asks jindle_core, stores in MariaDB."""
