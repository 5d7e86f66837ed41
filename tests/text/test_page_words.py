"""The words of the page: each is used, each is there, and the stretched language keeps what they ask for."""

import re
from pathlib import Path

import pytest

import gentle_crust
from gentle_crust.text.page import ENGLISH, page_text, page_words, types
from gentle_crust.text.pseudo import CLOSES, OPENS, PSEUDO, catalogue

WEB = Path(gentle_crust.__file__).parents[2] / "web" / "src"
ALIAS = re.compile(r"const (\w+) = words((?:\.\w+)+)\s")
BY_CODE = ("counts", "rooms")
"""Groups that the page looks up whole, by a code."""
USE = r"\b{}((?:\.\w+)+)"


def used_paths() -> set[str]:
    """Every path below ``words`` that the page's text follows, aliases resolved; a group that is handed on counts."""
    found = set()
    for path in [*WEB.rglob("*.vue"), *WEB.rglob("*.ts")]:
        text = path.read_text("utf-8")
        names = {"words": ""} | dict(ALIAS.findall(text))
        for name, below in names.items():
            found |= {(below + match).strip(".").replace(".", "-") for match in re.findall(USE.format(name), text)}
    return found


def entries(language: str) -> dict[str, str]:
    """The text of each message, by its key."""
    found = re.split(r"^(?=[\w-]+ =)", page_text(language), flags=re.MULTILINE)
    return {text.split(" =", 1)[0]: text for text in found if " =" in text}


def test_every_word_of_the_page_is_used_somewhere():
    used = used_paths()
    inner = {path for path in used if "-" in path}

    def reached(key: str) -> bool:
        parts = key.split("-")
        listed = parts[-1].isdigit() and any(path.startswith("-".join(parts[:-1])) for path in inner)
        handed = any("-".join(parts[:n]) in inner for n in range(2, len(parts))) or parts[0] in BY_CODE
        return key in used or listed or handed

    assert len(inner) > 800
    assert [word.key for word in page_words() if not reached(word.key)] == []


def test_the_types_of_the_words_are_those_of_the_catalogues():
    made = types()
    assert "saved: (data: { count: Value; when: Value }) => string" in made
    written = (WEB / "api" / "words.ts").read_text("utf-8")
    assert written == made, "run: python -m gentle_crust.text.page > web/src/api/words.ts"


def test_a_key_stands_once():
    keys = [word.key for word in page_words()]
    assert len(keys) == len(set(keys)) > 1_300


def test_the_stretched_language_is_longer_and_asks_for_the_same():
    english, stretched = page_words(ENGLISH), page_words(PSEUDO)
    assert english == stretched
    told, plain = entries(PSEUDO), entries(ENGLISH)
    assert told.keys() == plain.keys()
    for key, text in plain.items():
        if re.search(r"[A-Za-z]{2}", re.sub(r"\{[^{}]*\}|^[\w-]+ =", "", text)):
            assert OPENS in told[key] and len(told[key]) > len(text), key


@pytest.mark.parametrize(
    ("english", "stretched"),
    [
        ("a = Save", "a = ⟦Såvé ~~⟧\n"),
        ("a = { $g } of { MASS($g) } water", "a = ⟦{ $g } öf { MASS($g) } wåtér ~~~⟧\n"),
        ("a = { $g } g", "a = { $g } g\n"),
    ],
)
def test_what_stands_in_braces_is_kept(english, stretched):
    assert catalogue(english) == stretched
    assert stretched.count(OPENS) == stretched.count(CLOSES)


def test_a_catalogue_that_cannot_be_read_is_an_error(monkeypatch):
    monkeypatch.setattr("gentle_crust.text.page.page_text", lambda language: "a = { $g\n")
    page_words.cache_clear()
    with pytest.raises(ValueError, match="not to be read"):
        page_words()
    page_words.cache_clear()
