"""What ingredients are called: by a code of the catalogues, or as the baker has named them."""

from gentle_crust.core.messages import Message, message

WATER = message("ingredient-water")
BOILING_WATER = message("ingredient-boiling")
HELD_BACK = message("ingredient-held-back")
SALT = message("ingredient-salt")
CULTURE = message("ingredient-culture")
PREFERMENT_YEAST = message("ingredient-preferment-yeast")


def flour_name(kind: str) -> Message:
    """A flour of the table, as a baker says it."""
    return message(f"flour-{kind}")


def yeast_name(kind: str) -> Message:
    """A kind of yeast, as its packet says."""
    return message(f"yeast-{kind}")


def own_name(name: Message) -> str:
    """The name that the baker gave it, empty for what the program names."""
    return str(name.values["name"]) if name.code == "named" else ""


def key_of(name: Message) -> str:
    """What tells an ingredient from the others in whatever language: the baker's own name for it, else its code."""
    return own_name(name) or name.code
