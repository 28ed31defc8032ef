"""Accounts, supplies, cards and their API: asks jindle_core, stores in MariaDB."""
