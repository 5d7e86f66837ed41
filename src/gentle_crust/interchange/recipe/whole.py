"""A written recipe, read whole: text in, formula, method, doubts and questions out."""

import re
from dataclasses import replace
from typing import Any

from gentle_crust.contract.recipe import Fixes, ReadItem, ReadQuestion, ReadSentence, ReadWarning, Recipe, SentenceFix
from gentle_crust.core.course.as_written import as_written
from gentle_crust.core.course.styles import fitting, method_for
from gentle_crust.core.course.written import method_of
from gentle_crust.core.errors import CraftError
from gentle_crust.core.formula.measures import Habits
from gentle_crust.core.formula.model import Formula, check
from gentle_crust.core.messages import Message, message
from gentle_crust.interchange.recipe.clauses import explains_unit, own_units
from gentle_crust.interchange.recipe.compose import FINAL, Facts, StageKind, composed
from gentle_crust.interchange.recipe.figures import plain
from gentle_crust.interchange.recipe.gather import gather, leftover, put_right
from gentle_crust.interchange.recipe.gathered import Gathered
from gentle_crust.interchange.recipe.ingredients import named_in
from gentle_crust.interchange.recipe.layout import Block, Layout, cut
from gentle_crust.interchange.recipe.lines import PER_LOAF, Mention
from gentle_crust.interchange.recipe.method.reader import CourseReader
from gentle_crust.interchange.recipe.method.spans import Written
from gentle_crust.interchange.recipe.method.state import Sentence, Told, shape_in
from gentle_crust.interchange.recipe.sources import text_of
from gentle_crust.interchange.recipe.stated import starter_hydration, yields
from gentle_crust.interchange.recipe.stated_sum import stated_g
from gentle_crust.interchange.recipe.weigh import called, percentages, sum_doubt, warnings

NOTHING_HAPPENS = "none"
"""What a baker says of a sentence in which nothing happens."""
MOST_OF_A_PAGE = 2_000_000
"""Letters of a saved page, most of which are no recipe."""
MOST_LETTERS, MOST_LINES = 20_000, 400
_OTHER = re.compile(
    r"\b(?:und|mit|mehl|wasser|salz|stunden|der|die|das|farine|eau|avec|heures|levure|harina|agua|sal|horas|con|farina|acqua"
    r"|lievito|ore|meel|gist|uur|mjöl|jäst|och|mąka|woda|sól)\b",
    re.IGNORECASE,
)
_YIELD = re.compile(
    r"^\W*(?:makes|yields?|serves|for|gives|dough weight|total)\b|^\d+\s*(?:x|\u00d7)\s*\d+(?:[.,]\d+)?\s*k?g\b",
    re.IGNORECASE,
)
_ENGLISH = re.compile(
    r"\b(?:the|and|with|for|of|until|minutes|hours|flour|water|salt|yeast|mix|bake|rise|shape|dough|in|at|to)\b",
    re.IGNORECASE,
)


def read(text: str, habits: Habits | None = None, name: str = "", fixes: Fixes | None = None) -> Recipe:
    """Read a recipe whole.

    Parameters
    ----------
    text : as pasted: plain, Markdown, HTML or JSON-LD with a schema.org Recipe; at most 20,000 letters.
    habits : how this baker measures.
    name : what to call the formula; the recipe's own title if empty.
    fixes : what the baker has put right of an earlier reading of it.

    Returns
    -------
    The likeliest reading, with what has to be asked. Formula and method are None only if no flour was read.

    Raises
    ------
    CraftError, naming ``text`` or ``cup_ml``, for more than can be read or a cup of no known size.
    """
    habits = habits or Habits()
    if len(text) > MOST_OF_A_PAGE:
        raise CraftError("text", "recipe-too-long", letters=MOST_LETTERS, lines=MOST_LINES)
    source = text_of(text)
    _within_limits(source, habits)
    habits = _by_context(source, habits)
    layout = cut(source)
    pieces, piece_g = yields(layout)
    fixes = fixes or Fixes()
    sentences = [block for block in layout.blocks if block.kind == "sentence"]
    per_loaf = PER_LOAF.search(source) is not None and pieces is None
    found = gather(layout, habits, _pieces_told(sentences) if per_loaf else pieces, piece_g)
    put_right(found, fixes.items)
    reader = _method_reader(found, sentences, fixes.sentences)
    items = _items(found, reader)
    facts = _facts(name or layout.title, layout, found, reader.told, pieces, piece_g, source)
    formula, bent = composed(found.stages, items, facts)
    method = None if formula is None else _method(reader, formula, found)
    if formula is not None and method is not None:
        formula = replace(formula, method=method)
    dough = tuple(item for item in items if item.role not in ("aside", "of_stage"))
    percent = percentages(dough)  # type: ignore[arg-type]  # items are lines with a stage
    odd = [*warnings(dough, percent, habits), *bent, *_more_warnings(layout, found, items, formula, source)]  # type: ignore[arg-type]
    unread = (*found.unread, *_unread_notes(layout))
    return Recipe(
        formula,
        method,
        items,
        tuple(_sentence(each, reader) for each in reader.sentences),
        _questions(found, reader, items, unread),
        unread,
        tuple(odd),
        percent,
    )


def _within_limits(text: str, habits: Habits) -> None:
    if len(text) > MOST_LETTERS or len(text.splitlines()) > MOST_LINES:
        raise CraftError("text", "recipe-too-long", letters=MOST_LETTERS, lines=MOST_LINES)
    if not 200 <= habits.cup_ml <= 300:
        raise CraftError("cup_ml", "interchange-cup-size")


def _by_context(source: str, habits: Habits) -> Habits:
    """Ounces of a liquid are ounces by weight where the recipe says so, or writes fluid ounces otherwise."""
    weighed = re.search(r"\bfl\.?\s?(?:oz|ounces?)\b|\bfluid\s+ounces?\b|\bby weight\b", source, re.IGNORECASE)
    return replace(habits, liquid_ounces="weight") if weighed and habits.liquid_ounces == "ask" else habits


def _pieces_told(sentences: list[Block]) -> int | None:
    """How many pieces the method divides into."""
    reader = CourseReader({}, own_units(block.text for block in sentences))
    for block in sentences:
        reader.read(block.text, "", False)
    return reader.told.pieces


def _rows(stages: dict[str, StageKind]) -> dict[str, tuple[str, int]]:
    """Each stage's kind, and the row of the formula it ripens among those of its sort."""
    sort = {"levain": "levain", "poolish": "yeasted", "biga": "yeasted", "sponge": "yeasted"}
    count: dict[str, int] = {}
    rows: dict[str, tuple[str, int]] = {}
    for key, kind in stages.items():
        one = sort.get(kind, kind)
        rows[key] = kind, (0 if one == "levain" else count.get(one, 0))
        count[one] = count.get(one, 0) + 1
    return rows


def _method_reader(found: Gathered, sentences: list[Block], fixes: tuple[SentenceFix, ...]) -> CourseReader:
    kinds = {fix.text: fix.kind for fix in fixes}
    reader = CourseReader(_rows(found.stages), own_units(block.text for block in sentences))
    for index, block in enumerate(sentences):
        if explains_unit(block.text):
            reader.sentences.append(_explained(block.text))
            continue
        if kinds.get(block.text) == NOTHING_HAPPENS:
            reader.sentences.append(Sentence(block.text, took={"fixed": NOTHING_HAPPENS}))
            continue
        own = found.named_stage.get(index)
        reader.read(block.text, own or block.stage, block.headed or own is not None, own not in (None, "scald"))
        if block.text in kinds:
            reader.put_right(kinds[block.text])
    return reader


def _explained(text: str) -> Sentence:
    return Sentence(text, took={"unit": True})


def _items(found: Gathered, reader: CourseReader) -> tuple[ReadItem, ...]:
    """Every entry as it is told; what is put on the loaf stands at the stage that does so, if there is one."""
    finishing = next((stage for stage in reader.stages if stage["kind"] == "finish"), None)
    items = []
    for entry in found.entries:
        one = entry.mention
        aside = one.aside
        role = "of_stage" if entry.whole_stage else "aside" if aside else one.item.role
        stage = entry.stage if not aside else (_id(finishing, reader) if finishing else FINAL)
        kind = found.stages.get(entry.whole_stage or "", one.item.kind)
        items.append(ReadItem(one.text, stage, called(one), role, kind, one.weight, one.why))
    return tuple(items)


def _id(stage: Written, reader: CourseReader) -> str:
    """The id that a stage will have: its kind, numbered if there are several."""
    same = [each for each in reader.stages if each["kind"] == stage["kind"]]
    place = next(i for i, each in enumerate(same) if each is stage)
    return str(stage.get("id") or (stage["kind"] if place == 0 else f"{stage['kind']}-{place + 1}"))


def _facts(
    name: str, layout: Layout, found: Gathered, told: Told, pieces: int | None, piece_g: float | None, source: str
) -> Facts:
    notes = " ".join([layout.title, *(block.text for block in layout.blocks if block.kind == "note")])
    return Facts(
        name,
        told.pieces or pieces,
        told.piece_g or piece_g,
        told.shape if told.shape not in (None, "boule") else shape_in(plain(notes)) or told.shape,
        told.dough_c,
        told.yeast_woken,
        _feel(found),
        " ".join(_descriptions(layout)),
        starter_hydration(source),
    )


def _feel(found: Gathered) -> tuple[float, float]:
    """By how much less and more than the likely water the dough may take, g, where the recipe leaves it to the hand."""
    water = [e.mention for e in found.entries if e.mention.feel and e.mention.item.role == "water" and e.stage == FINAL]
    less = sum(each.weight.likely - each.weight.low for each in water)
    return less, sum(each.weight.high - each.weight.likely for each in water)


def _method(reader: CourseReader, formula: Formula, found: Gathered) -> dict[str, Any]:
    """The method that was told; where none was, or none that can be baked, the style that suits the formula."""
    written = reader.method()
    if written is not None:
        for stage in written["stages"]:
            stage.setdefault("id", "")
        try:
            return as_written_with_ids(written, formula)
        except CraftError:
            reader.sentences[-1].took["not_a_course"] = True
    usual = as_written(method_for(fitting(formula)[0], formula))
    return {"stages": [{**stage, "id": stage.get("id") or stage["kind"]} for stage in usual["stages"]]}


def as_written_with_ids(written: dict[str, Any], formula: Formula) -> dict[str, Any]:
    """A written method with every stage's id. Raises CraftError if it cannot be baked."""
    bare = {"stages": [{key: value for key, value in stage.items() if value != ""} for stage in written["stages"]]}
    method = method_of(bare, formula)
    ids = [stage.id for stage in method.stages]
    return {"stages": [{**stage, "id": id_} for stage, id_ in zip(bare["stages"], ids, strict=True)]}


def _sentence(each: Any, reader: CourseReader) -> ReadSentence:
    stage = None if each.stage is None else _id_of(each.stage, reader)
    ids = [_id_of(one, reader) for one in each.stages]
    return ReadSentence(each.text, stage, each.took, each.unread, tuple(id_ for id_ in ids if id_))


def _id_of(stage: Written, reader: CourseReader) -> str | None:
    if stage.get("id"):
        return str(stage["id"])
    return _id(stage, reader) if any(stage is each for each in reader.stages) else None


def _more_warnings(
    layout: Layout, found: Gathered, items: tuple[ReadItem, ...], formula: Formula | None, source: str
) -> list[ReadWarning]:
    """Sums that do not agree, a formula that cannot be made as it stands, a language that is not read."""
    odd = []
    stated = next(
        (
            g
            for text in (layout.title, *(b.text for b in layout.blocks if b.kind == "note"))
            if (g := stated_g(plain(text)))
        ),
        None,
    )
    shares = any(entry.mention.percent for entry in found.entries)
    if stated is not None and items and not shares:
        doubt = sum_doubt(stated, [item.g for item in items if item.role not in ("aside", "of_stage")])
        if doubt is not None:
            odd.append(ReadWarning("sum", doubt))
    if formula is not None:
        try:
            check(formula)
        except CraftError as error:
            odd.append(ReadWarning("cannot_be_made", error.what))
    if len(_OTHER.findall(source)) > max(2, len(_ENGLISH.findall(source))):
        odd.append(ReadWarning("other_language", message("recipe-other-language")))
    return odd


def _descriptions(layout: Layout) -> list[str]:
    """What a recipe says of itself before its first ingredient: words without figures."""
    found = []
    for block in layout.blocks:
        if block.kind != "note":
            break
        if not re.search(r"\d", block.text):
            found.append(block.text)
    return found


def _unread_notes(layout: Layout) -> list[str]:
    """Lines that are neither heading, ingredient nor sentence, and tell nothing of pieces or weights."""
    described = _descriptions(layout)
    return [
        block.text for block in layout.blocks
        if block.kind == "note" and block.text not in described and not _YIELD.search(block.text)
    ]  # fmt: skip


_CHOICES = {
    "which_salt": ("table", "fine", "flaky"),
    "ounces": ("weight", "volume"),
    "pint": ("american", "british"),
    "cups": ("spooned", "scooped"),
    "which_yeast": ("fresh", "dry"),
    "optional": ("in", "out"),
}


def _choices(code: str) -> tuple[Message, ...]:
    return tuple(message(f"recipe-choice-{each}") for each in _CHOICES.get(code, ()))


def _questions(
    found: Gathered, reader: CourseReader, items: tuple[ReadItem, ...], unread: tuple[str, ...]
) -> tuple[ReadQuestion, ...]:
    """What has to be asked: of items by how they were measured, of sentences by what was not understood."""
    asked = []
    for place, entry in enumerate(found.entries):
        for code in _codes(entry.mention):
            text = message(f"recipe-ask-{code.replace('_', '-')}", what=items[place].ingredient)
            asked.append(ReadQuestion(code, place, None, text, _choices(code)))
    for stage in found.stages:
        left = leftover(found, stage)
        if left is not None:
            asked.append(ReadQuestion("leftover", None, None, left, ()))
    for place, sentence in enumerate(reader.sentences):
        if sentence.stage is None and not sentence.took and sentence.unread:
            asked.append(ReadQuestion("sentence", None, place, message("recipe-ask-sentence"), ()))
    asked += [
        ReadQuestion("line", None, None, message("recipe-ask-line", line=line), ())
        for line in unread
        if line in found.unread or re.search(r"\d", line) or named_in(line)
    ]
    return tuple(asked)


def _codes(one: Mention) -> tuple[str, ...]:
    codes = list(one.doubts)
    if one.optional:
        codes.append("optional")
    if one.taste:
        codes.append("to_taste")
    if one.feel:
        codes.append("by_feel")
    if one.percent is None and one.item.kind == "other" and one.item.role == "flour":
        codes.append("other_flour")
    return tuple(codes)
