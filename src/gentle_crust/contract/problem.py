"""Refusals as RFC 9457 problem documents: the field's path, the sentence and the remedy; never the input itself."""

from typing import Any

from pydantic import ValidationError

from gentle_crust.contract.conflict import FieldChange
from gentle_crust.contract.strict import Shown
from gentle_crust.core.errors import CraftError
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import PLAIN, say


class ProblemField(Shown):
    """One field that was refused."""

    field: str
    sentence: str
    remedy: str


class ProblemDocument(Shown):
    """A refusal."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    instance: str = ""
    """The request's number, under which the log tells of it."""
    errors: list[ProblemField] = []


class ChangedDocument(ProblemDocument):
    """Somebody else saved first: what differs, and the state to save over knowingly."""

    etag: str
    fields: list[FieldChange]


def document(status: int, title: str, errors: list[ProblemField], detail: str = "") -> dict[str, Any]:
    """The body of a refusal; without ``detail``, the first field's sentence and remedy."""
    text = detail or " ".join(f"{error.sentence} {error.remedy}".strip() for error in errors[:1])
    return ProblemDocument(title=title, status=status, detail=text, errors=errors).model_dump()


def of_craft(error: CraftError, reading: Reading = PLAIN) -> list[ProblemField]:
    """The field that the craft refused, said as the baker reads figures."""
    why = say(error.what, reading)
    return [ProblemField(field=error.field, sentence=why.sentence, remedy=why.remedy)]


_WORDS = {
    "missing": ("is missing.", "Give it."),
    "extra_forbidden": ("is not a field I know.", "Leave it out, or check its spelling."),
    "string_too_long": ("is too long.", "Shorten it."),
    "model_type": ("is not an object.", "Send a JSON object."),
    "model_attributes_type": ("is not a JSON object.", "Send a JSON object."),
    "dataclass_type": ("is not an object.", "Send a JSON object."),
    "finite_number": ("is not a number.", "Give a plain number."),
}


def of_validation(error: ValidationError) -> list[ProblemField]:
    """Wrong shapes, in words: what is missing, unknown, or not of its kind."""
    found = []
    for item in error.errors(include_input=False, include_url=False):
        path = ".".join(str(part) for part in item["loc"]) or "body"
        words, remedy = _WORDS.get(item["type"], ("", ""))
        if not words:
            words = f"is not right: {item['msg'][0].lower()}{item['msg'][1:]}."
            remedy = "Correct it."
        found.append(ProblemField(field=path, sentence=f"{path} {words}", remedy=remedy))
    return found
