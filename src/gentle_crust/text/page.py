"""The words of the page: one catalogue a room, and what TypeScript has to know of them.

``python -m gentle_crust.text.page`` prints the types. The key ``plan-says-saved`` is ``words.plan.says.saved`` in the
page: a string, or a function of the data that its sentence asks for. The keys of a group whose heading ends with
``: by code`` are codes of the core, which the page looks up.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from importlib.resources import files
from typing import Any

from gentle_crust.text.pseudo import PSEUDO
from gentle_crust.text.pseudo import catalogue as pseudo_of

ENGLISH = "en"
BY_CODE = ": by code"


@dataclass(frozen=True)
class PageWord:
    """A message of the page: its key, the data that it asks for, whether its last part is a code."""

    key: str
    asks: frozenset[str]
    by_code: bool

    @property
    def path(self) -> list[str]:
        """Where it stands among the words of the page."""
        return self.key.split("-")


def page_text(language: str = ENGLISH) -> str:
    """All that the page can say, as one catalogue. FileNotFoundError for a language that is not there."""
    if language == PSEUDO:
        return pseudo_of(page_text(ENGLISH))
    folder = files("gentle_crust") / "text" / language / "page"
    found = sorted((each for each in folder.iterdir() if each.name.endswith(".ftl")), key=lambda each: each.name)
    return "\n\n##\n\n".join(each.read_text("utf-8").strip() for each in found) + "\n"


@cache
def page_words(language: str = ENGLISH) -> tuple[PageWord, ...]:
    """Every message of the page. ValueError for a catalogue that cannot be read."""
    from fluent.runtime import FluentResource
    from fluent.syntax import ast

    found: list[PageWord] = []
    group = ""
    for entry in FluentResource(page_text(language)).body:
        if isinstance(entry, ast.Junk):
            raise ValueError(f"not to be read: {entry.content}")
        if isinstance(entry, ast.GroupComment):
            heading = entry.content or ""
            group = heading.removesuffix(BY_CODE) + "-" if heading.endswith(BY_CODE) else ""
        elif isinstance(entry, ast.Message):
            key = entry.id.name
            found.append(PageWord(key, asked_of(entry), bool(group) and key.startswith(group)))
    return tuple(found)


def asked_of(entry: Any) -> frozenset[str]:
    """The names of the data that a message asks for."""
    from fluent.syntax import ast
    from fluent.syntax.visitor import Visitor

    names: set[str] = set()

    class Variables(Visitor):
        def visit_VariableReference(self, node: ast.VariableReference) -> None:  # noqa: N802 - the library's name
            names.add(node.id.name)

    Variables().visit(entry)
    return frozenset(names)


def types() -> str:
    """What TypeScript has to know: every key with what it takes."""
    tree: dict[str, Any] = {}
    for word in page_words():
        *above, last = word.path
        place = tree
        for part in above:
            place = place.setdefault(part, {})
        place[last] = word
    head = "/* Made from the catalogues by python -m gentle_crust.text.page; do not edit. */\n"
    value = "export type Value = string | number\n\n"
    return f"{head}{value}export interface Words {{\n{chr(10).join(_lines(tree, 1))}\n}}\n"


def _lines(tree: dict[str, Any], depth: int) -> Iterator[str]:
    indent = "  " * depth
    for key, found in tree.items():
        name = f"'{key}'" if key.isdigit() else key
        if isinstance(found, PageWord):
            yield f"{indent}{name}: {_type_of(found)}"
            continue
        words = [each for each in found.values() if isinstance(each, PageWord)]
        if list(found) == [str(index) for index in range(len(found))]:
            yield f"{indent}{name}: string[]"
            continue
        if words and all(each.by_code for each in words) and len(words) == len(found):
            kinds = sorted({_type_of(each) for each in words})
            yield f"{indent}{name}: Record<string, {' | '.join(kinds)}>"
            continue
        yield f"{indent}{name}: {{"
        yield from _lines(found, depth + 1)
        yield f"{indent}}}"


def _type_of(word: PageWord) -> str:
    if not word.asks:
        return "string"
    if word.by_code:
        return "((data: Record<string, Value>) => string)"
    return f"(data: {{ {'; '.join(f'{name}: Value' for name in sorted(word.asks))} }}) => string"


if __name__ == "__main__":
    print(types(), end="")
