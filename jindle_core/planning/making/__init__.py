"""What is to be done for each part of a card: functions that say what a task needs and what it leaves."""
