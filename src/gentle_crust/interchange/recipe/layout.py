"""A written recipe cut into its title, its lists of ingredients and its sentences, each under its heading."""

import re
from dataclasses import dataclass, field
from typing import Literal

from gentle_crust.interchange.recipe.clauses import explains_unit
from gentle_crust.interchange.recipe.figures import counted, figures, plain
from gentle_crust.interchange.recipe.ingredients import ingredient_of
from gentle_crust.interchange.recipe.lines import ASIDE, BY_FEEL, TO_TASTE

BlockKind = Literal["item", "sentence", "note"]

STAGE_WORDS: tuple[tuple[str, str], ...] = (
    ("old_dough", r"old[- ]dough|p[aâ]te ferment[eé]e|fermented dough"),
    ("first", r"(?:first|1st)\s+(?:stage|build|feed(?:ing)?)"),
    ("second", r"(?:second|2nd)\s+(?:stage|build|feed(?:ing)?)"),
    ("third", r"(?:third|3rd)\s+(?:stage|build|feed(?:ing)?)"),
    ("levain", r"(?:sweet\s+|stiff\s+|liquid\s+|young\s+)?(?:levain|leaven)(?:\s+build)?|(?:rye\s+|wheat\s+)?sour(?:dough)?"
               r"(?:\s+(?:starter|build|stage))?|starter"),
    ("poolish", r"poolish|pre-?ferment"),
    ("biga", r"biga"),
    ("sponge", r"sponge"),
    ("soaker", r"(?:cold\s+|hot\s+|seed\s+)?soaker"),
    ("scald", r"scald(?:ed\s+\w+)?|tangzhong|water\s+roux|cooked\s+flour|(?:oat\s+)?porridge|(?:flour\s+)?roux|mash"),
    ("aside", r"glaze|egg\s+wash|topping|to\s+finish|finish(?:ing)?|for\s+dusting|dusting|decoration|to\s+serve"),
    ("final", r"(?:final|main|bread)\s+(?:dough|mix)|(?:the\s+)?dough|final|loaf|bread"),
    ("method", r"method|directions?|instructions?|preparation|procedure|steps|process|how to make it|what to do"),
    ("neutral", r"ingredients?|you (?:will )?need|day\s+\d+|per loaf|schedule|notes?|evening|morning|the\s+night\s+before"
                r"|the\s+next\s+(?:day|morning)|next\s+day|the\s+day\s+before|the\s+evening\s+before|filling"),
)  # fmt: skip
_LEAD = r"(?:for\s+the\s+|for\s+|the\s+|make\s+the\s+|to\s+make\s+the\s+|(?:stage|part|step|day)\s*\d+\s*[:.,)-]?\s*)*"
_HEAD = re.compile(
    rf"^{_LEAD}(?:{'|'.join(f'(?P<{key}>{words})' for key, words in STAGE_WORDS)})"
    r"(?P<more>\s+(?:starter|build|dough|ingredients))?(?P<brackets>\s*[\[(][^)\]]*[)\]])?(?P<tail>\s*(?:,|\s[-\u2013]\s)[^:]{0,30})?\s*(?P<colon>:)?\s*",
    re.IGNORECASE,
)
_VERB = (
    r"mix(?:ed)?(?!\s+spice|\s+peel|\s+seed)|stir|combine|add(?:ed)?|knead(?:ed)?|fold|leave|left|let|bake[ds]?|put|place|pour|divide"
    r"|shape[ds]?|heat|preheat|take|rest|rise|proof|prove|bulk|ferment|refrigerate|chill|cover|autolyse|score|cut|brush"
    r"|sprinkle|dissolve|feed|refresh|cream|pre-?shape|preshap|dividing|shaping|proofing|baking|kneading:|press|spoon|transfer|arrange|cook|top with|egg wash(?=,)|punch|knock|wait|stand|squeeze|glaze|flatten|beat|soak|scald|rub|make|roll|cool|turn|build|work|whisk|tip|warm up|bring|retard|slash|dust"
)
METHOD_VERB = re.compile(rf"(?<!to )\b(?:{_VERB})\b", re.IGNORECASE)
_BULLET = re.compile(
    r"^\s*(?:[-*\u2022\u25aa\u25cf\u2013\u2014>]+\s+|\(?\d{1,2}[.)]\s+|#+\s*|step\s+\d+\s*[:.)-]\s*)+", re.IGNORECASE
)
_SENTENCE = re.compile(r"(?<=[.!?;])(?<!approx\.)(?<!ca\.)(?<!e\.g\.)\s+(?=[A-Z0-9\"'(½¼¾])")
_LOAF = re.compile(r"\b(?:loaf|loaves|bread(?! flour)|tin|rolls|buns|sandwich|baguettes?|rounds|buns)\b", re.IGNORECASE)
_YIELD = re.compile(r"^\W*(?:makes|yields?|gives|serves|for)\b", re.IGNORECASE)
_BEGINS_AMOUNT = re.compile(
    r"^(?:about|approx\w*\.?|around|ca\.?|enough|some|plus|optional:?|another|the|good|an?)?\s*(?:\d|[.]\d|good pinch|pinch)",
    re.IGNORECASE,
)
_A_LITTLE = re.compile(r"^(?:an?|some|enough|the|plus|extra|optional:?)\s", re.IGNORECASE)
_ALL_OF = re.compile(
    r"^(?:add\s+)?(?:\(?all\)?\s+(?:of\s+)?(?:the\s+)?|the\s+|your\s+|plus\s+(?:all\s+)?(?:of\s+)?the\s+|\d+[^:]{0,12}?\s(?:of\s+)?the\s+)"
    r"(?:ripe\s+|active\s+|above\s+|whole\s+)?(?P<stage>[\w\s-]{3,20}?)(?:\s*\(?(?:from )?(?:above|yesterday|all)\)?|\s+above)?[.]?$",
    re.IGNORECASE,
)


@dataclass(frozen=True)
class Block:
    """A line of ingredients, a sentence, or a note that is neither, under the stage that its heading names."""

    kind: BlockKind
    text: str
    stage: str
    headed: bool = False
    """Whether the heading stands in its own line with it: "Biga: 16 hours"."""


@dataclass
class Layout:
    """A recipe's title and blocks. ``order``: the stages its headings name, in their order."""

    title: str = ""
    blocks: list[Block] = field(default_factory=list)
    order: list[str] = field(default_factory=list)
    notes: dict[str, str] = field(default_factory=dict)
    """What a stage's heading says in brackets."""


def stage_named(text: str) -> str | None:
    """The stage that a few words name; None if none."""
    match = _HEAD.match(text.strip())
    if match is None or match.end() < len(text.strip().rstrip(".")):
        return None
    return next(key for key, _ in STAGE_WORDS if match[key])


def cut(text: str) -> Layout:
    """Cut a recipe into title and blocks."""
    layout = Layout()
    stage, in_method = "final", False
    lines = [plain(_unmarked(line)) for line in text.splitlines()]
    first = True
    for line in (each for each in lines if each):
        head = _heading(line)
        if head is not None:
            key, rest, brackets = head
            if key == "method":
                in_method, stage = True, "final"
            elif key == "neutral":
                stage = stage if rest else "final"
            else:
                stage = key
                in_method = in_method and bool(rest)
                if not in_method and key not in layout.order:
                    layout.order.append(key)
                if brackets:
                    layout.notes.setdefault(key, brackets)
            first = False
            if rest and key in ("soaker", "scald") and not re.search(r"\d|\.", rest) and len(rest.split()) <= 4:
                layout.notes.setdefault(key, rest)
                continue
            if rest:
                if _add(layout, rest, stage, True):
                    in_method = True
                stage = "final" if in_method else stage
            continue
        if first and _is_title(line):
            title, _, rest = line.partition(". ")
            layout.title, first = title.strip(" .:-"), False
            if rest:
                layout.blocks.append(Block("note", rest, stage))
            continue
        first = False
        if _add(layout, line, stage if not in_method else "final", False):
            in_method, stage = True, "final"
    return layout


def _unmarked(line: str) -> str:
    """A line without the marks of a list or of Markdown."""
    bare = re.sub(r"(\*\*|__|`)", "", line.replace("\t", " "))
    bare = re.sub(r"(?<![\w*])[*_](?=\w)|(?<=\w)[*_](?![\w*])", "", bare)
    return _BULLET.sub("", bare)


def _heading(line: str) -> tuple[str, str, str] | None:
    """The stage that a heading names, what follows it in its line, and what it says in brackets; None for no heading."""
    match = _HEAD.match(line)
    if match is None:
        bare = line.rstrip(":")
        if (
            line.endswith(":")
            and len(bare.split()) <= 5
            and not re.search(r"\d", bare)
            and not METHOD_VERB.search(bare)
        ):
            return "neutral", "", ""
        return None
    key = next(key for key, _ in STAGE_WORDS if match[key])
    if re.fullmatch(r"\s*[\d./,\s]+\s*[a-zA-Z]*", line[match.end() :]) and line[match.end() :].strip():
        return None
    rest = line[match.end() :].strip()
    brackets = (match["brackets"] or "").strip(" ()[]")
    if not rest:
        return key, "", brackets
    if not match["colon"]:
        return None
    return key, rest, brackets


def _is_title(line: str) -> bool:
    """Whether a first line names the loaf: no amount of anything, no figures of a method."""
    if len(line) > 80 or (METHOD_VERB.search(line) and len(line.split()) > 6):
        return False
    try:
        found = figures(counted(line, True))
    except ValueError:
        return False
    if any(each.kind in ("time", "temperature") for each in found) and not (
        _LOAF.search(line) and len(line.split()) < 6
    ):
        return False
    if any(each.kind == "percent" for each in found) and not _LOAF.search(line):
        return False
    named = ingredient_of(line)
    measured = any(each.kind == "amount" for each in found)
    return not (named and measured and not _LOAF.search(line)) and not (line.endswith(".") and len(line.split()) > 8)


def _add(layout: Layout, line: str, stage: str, headed: bool) -> bool:
    """Add a line's blocks; whether they are sentences of a method."""
    if all_of(line, layout.order) or re.match(
        r"^\W*\d[\d.,/\s]*\s*(?:g|kg|oz|lb)\s+(?:of\s+)?(?:the\s+)?(?:ripe\s+)?(?:poolish|biga|sponge|soaker|scald|old dough|levain)\b[\s\w,()%.]{0,40}$",
        line,
        re.IGNORECASE,
    ):
        layout.blocks.append(Block("item", line, stage, headed))
        return False
    if is_item_line(line):
        layout.blocks.append(Block("item", line, stage, headed))
        return False
    listed, waits = _list_and_wait(line)
    if listed:
        layout.blocks.append(Block("item", listed, stage, headed))
        layout.blocks += [Block("sentence", each, stage, headed) for each in waits]
        return False
    sentences = [each.strip() for each in _SENTENCE.split(line) if each.strip()]
    method = False
    if len(sentences) > 1 and is_item_line(sentences[0]):
        title, colon, rest = sentences[0].partition(": ")
        if colon and not headed and not layout.title and is_item_line(rest) and not re.search(r"\d", title):
            layout.title, sentences[0] = title.strip(), rest
        layout.blocks.append(Block("item", sentences[0].rstrip("."), stage, headed))
        if headed:
            layout.blocks += [Block("sentence", each, stage, True) for each in sentences[1:]]
            return False
        sentences = sentences[1:]
    begun = any(block.kind != "note" for block in layout.blocks)
    for index, each in enumerate(sentences):
        if not METHOD_VERB.search(each) and _YIELD.match(each):
            layout.blocks.append(Block("note", each, stage))
        elif re.search(r"[^\W\d_]", each) and (
            METHOD_VERB.search(each) or (begun and _tells(each)) or explains_unit(each)
        ):
            layout.blocks.append(Block("sentence", each, stage, headed and index == 0))
            method = True
        elif index and is_item_line(each):
            layout.blocks.append(Block("item", each, stage, headed))
        elif re.search(r"\w", each):
            layout.blocks.append(Block("note", each, stage))
    return method


def _list_and_wait(line: str) -> tuple[str, list[str]]:
    """A list of ingredients with how long they stand ("100 g flour + 100 g water, 6 h"), taken apart; else nothing."""
    if METHOD_VERB.search(line) or line.count(",") + line.count("+") < 2:
        return "", []
    parts = re.split(r"\s*[,;]\s+", line)
    kinds = []
    for part in parts:
        try:
            found = figures(counted(plain(part), True))
        except ValueError:
            return "", []
        kinds.append(any(each.kind == "time" for each in found) and not any(each.kind == "amount" for each in found))
    listed = [part for part, waits in zip(parts, kinds, strict=True) if not waits]
    if not any(kinds) or not is_item_line(", ".join(listed)):
        return "", []
    return ", ".join(listed), [part for part, waits in zip(parts, kinds, strict=True) if waits]


def _tells(sentence: str) -> bool:
    """Whether a sentence without a verb tells of a method: by a time, a temperature or a number of folds."""
    try:
        found = figures(counted(plain(sentence), True))
    except ValueError:
        return False
    words = re.search(r"\b(?:folds?|overnight|knead|bulk|basket|fridge|oven|until|pot|lid)\b", sentence, re.IGNORECASE)
    return any(each.kind in ("time", "temperature") for each in found) or bool(words)


def all_of(line: str, order: list[str]) -> str | None:
    """The stage that goes in whole by this line ("all of the levain"); None if it says no such thing."""
    match = _ALL_OF.match(line.strip())
    key = stage_named(match["stage"]) if match else None
    return key if key in order and key not in ("final", "aside") else None


def is_item_line(line: str) -> bool:
    """Whether a line lists what goes in: an ingredient with its amount, its share, or what it is for."""
    try:
        text = counted(plain(line), True)
        found = figures(text)
    except ValueError:
        return bool(ingredient_of(line)) and not METHOD_VERB.search(line)
    if any(each.kind == "time" for each in found):
        return False
    named = ingredient_of(text)
    if named is None:
        return False
    measured = any(each.kind in ("amount", "percent") for each in found)
    counts = any(each.kind == "count" for each in found) and named[1].each_g is not None
    begins = bool(_BEGINS_AMOUNT.match(text))
    verb = METHOD_VERB.search(text)
    if verb and not (begins and (measured or counts) and verb.start() > 12):
        return False
    if measured or counts:
        return True
    if any(each.kind == "temperature" for each in found):
        return False
    loose = TO_TASTE.search(line) or BY_FEEL.search(line) or ASIDE.search(line)
    return bool(loose) or (len(line.split()) <= 4 and named[1].each_g is not None and bool(_A_LITTLE.match(line)))
