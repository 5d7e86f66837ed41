"""Recipes as other programs save them, made plain text: a schema.org Recipe in JSON-LD or HTML, or a page's words."""

import html
import json
import re
from html.parser import HTMLParser
from typing import Any

from gentle_crust.core.messages import message
from gentle_crust.text.render import say

_BREAKS = ("p", "br", "li", "h1", "h2", "h3", "h4", "h5", "h6", "tr", "div", "section", "ul", "ol", "title")


class _Page(HTMLParser):
    """A page's words line by line, and the JSON-LD that it carries."""

    def __init__(self) -> None:
        super().__init__(convert_charrefs=True)
        self.lines: list[str] = [""]
        self.data: list[str] = []
        self._in: str | None = None

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        """A tag that begins."""
        if tag in ("script", "style"):
            kind = dict(attrs).get("type") or ""
            self._in = "data" if tag == "script" and "ld+json" in kind else "skip"
            if self._in == "data":
                self.data.append("")
        if tag in _BREAKS:
            self.lines.append("")

    def handle_endtag(self, tag: str) -> None:
        """A tag that ends."""
        if tag in ("script", "style"):
            self._in = None
        if tag in _BREAKS:
            self.lines.append("")

    def handle_data(self, data: str) -> None:
        """Words between tags."""
        if self._in == "data":
            self.data[-1] += data
        elif self._in is None:
            self.lines[-1] += re.sub(r"\s+", " ", data)


def text_of(text: str) -> str:
    """A pasted recipe as plain text: of a saved page or of JSON-LD the recipe in it, else the text as it is."""
    text = _without_steps(text)
    start = text.lstrip()[:1]
    if start in ("{", "["):
        found = _recipe_in(text)
        return text if found is None else _lines_of(found)
    if not re.search(r"<(?:html|body|p|li|div|h[1-6]|script|br|table)\b", text, re.IGNORECASE):
        return text
    page = _Page()
    page.feed(text)
    for data in page.data:
        found = _recipe_in(data)
        if found is not None:
            return _lines_of(found)
    return "\n".join(line.strip() for line in page.lines if line.strip())


def _without_steps(text: str) -> str:
    """Of this program's own printed text the amounts: its steps stand by the clock of one bake."""
    return text.split(str(say(message("file-percentages"))))[0]


def _recipe_in(text: str) -> dict[str, Any] | None:
    """The first schema.org Recipe of a JSON-LD text; None if there is none."""
    try:
        document = json.loads(text)
    except (ValueError, RecursionError):
        return None
    graph = document.get("@graph", [document]) if isinstance(document, dict) else document
    for each in graph if isinstance(graph, list) else []:
        kinds = each.get("@type") if isinstance(each, dict) else None
        if kinds is not None and "Recipe" in (kinds if isinstance(kinds, list) else [kinds]):
            return dict(each)
    return None


def _lines_of(recipe: dict[str, Any]) -> str:
    """A Recipe's name, yield, ingredients and instructions, a line each; sections of instructions as headings."""
    lines = [_words(recipe.get("name"))]
    made = recipe.get("recipeYield")
    lines += [f"Makes {_words(each)}" for each in (made if isinstance(made, list) else [made])[:1] if each]
    wanted = recipe.get("recipeIngredient") or recipe.get("ingredients") or []
    lines += [_words(each) for each in (wanted if isinstance(wanted, list) else [wanted])]
    lines.append("Method:")
    lines += _steps(recipe.get("recipeInstructions"), 0)
    return "\n".join(line for line in lines if line.strip())


def _steps(steps: Any, depth: int) -> list[str]:
    if depth > 4 or steps is None:
        return []
    if isinstance(steps, str):
        return [line for line in (_words(steps)).splitlines() if line.strip()]
    if isinstance(steps, list):
        return [line for each in steps for line in _steps(each, depth + 1)]
    if isinstance(steps, dict):
        inner = _steps(steps.get("itemListElement"), depth + 1)
        if inner:
            return [f"{_words(steps.get('name'))}:", *inner] if steps.get("name") else inner
        return _steps(steps.get("text") or steps.get("name"), depth + 1)
    return []


def _words(value: Any) -> str:
    """A value as plain words, tags taken out."""
    return re.sub(r"<[^>]{0,200}>", " ", html.unescape(str(value))).strip() if value is not None else ""
