"""What the API answers with: each answer declared once, as its JSON and as its component of the schema."""
