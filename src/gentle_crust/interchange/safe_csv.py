"""Cells of CSV files that no spreadsheet takes for a formula of its own."""

RISKY = ("=", "+", "-", "@", "\t", "\r", "\n", "|", "%")


def cell(text: str) -> str:
    """A text as a cell: one that a spreadsheet might reckon with begins with an apostrophe."""
    return f"'{text}" if text.lstrip(" ").startswith(RISKY) else text
