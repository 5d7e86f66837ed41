"""Which ingredient goes into which stage: lists under their headings, sentences that name amounts, sums and shares."""

import re
from dataclasses import replace

from gentle_crust.contract.recipe import ItemFix
from gentle_crust.core.formula.measures import Grams, Habits, ingredients
from gentle_crust.core.messages import Message, message
from gentle_crust.interchange.recipe.amounts import scaled
from gentle_crust.interchange.recipe.compose import FINAL, StageKind
from gentle_crust.interchange.recipe.figures import counted, figures, plain
from gentle_crust.interchange.recipe.gathered import ASIDE_STAGE, Entry, Gathered
from gentle_crust.interchange.recipe.ingredients import named_in
from gentle_crust.interchange.recipe.layout import Block, Layout, all_of, stage_named
from gentle_crust.interchange.recipe.lines import Mention, line_of, mentions
from gentle_crust.interchange.recipe.words import WORDS

_WAITS = re.compile(r"\b(?:leave|left|stand|rest|wait|overnight|ripen|hours?|h)\b", re.IGNORECASE)
_HYDRATION = re.compile(
    r"(\d{2,3}(?:[.,]\d+)?)\s*(?:%|per\s?cent)\s*(?:hydration|water\b)|hydration\s*(?:of|:)?\s*(\d{2,3})\s*%",
    re.IGNORECASE,
)
_HOT_WATER = re.compile(r"\b(?:boiling|hot)\b", re.IGNORECASE)
_FOR_FLOUR = re.compile(
    r"\b(?:for|per|with)\s+(\d+(?:[.,]\d+)?)\s*(kg|g)\s+(?:of\s+)?(?:total\s+)?flour\b", re.IGNORECASE
)


def gather(layout: Layout, habits: Habits, pieces: int | None, piece_g: float | None) -> Gathered:
    """Read every line and sentence of a recipe for what goes in, and where."""
    found = Gathered()
    order = [key for key in layout.order if key not in (FINAL, ASIDE_STAGE)]
    sentences = [block for block in layout.blocks if block.kind == "sentence"]
    for block in layout.blocks:
        if block.kind == "item" or (block.kind == "note" and _FOR_FLOUR.search(block.text)):
            _item_line(found, block, order, habits)
    listed = {_sort_of(entry.mention) for entry in found.entries}
    told = [(index, block, _said_in(block, habits)) for index, block in enumerate(sentences)]
    if any(entry.mention.item.role == "flour" for entry in found.entries):
        for index, block, named in told:
            _named_again(found, index, block, named, order)
            found.entries += [
                Entry(each, FINAL, index)
                for each in named
                if _sort_of(each) not in listed and each.g is not None and not each.part and _is_new(each, found)
            ]
    else:
        _from_sentences(found, told)
    _soaked(found)
    _scalded(found, [block.text for block in sentences])
    _kinds(found, order)
    scaled(found, pieces, piece_g)
    return found


def _sort_of(one: Mention) -> str:
    """What tells an ingredient from others when it is named again: flour is flour, but butter is not oil."""
    return one.item.kind if one.item.role == "extra" else one.item.role


def _item_line(found: Gathered, block: Block, order: list[str], habits: Habits) -> None:
    base = _FOR_FLOUR.search(block.text)
    if base is not None and not re.match(r"^\W*\d", block.text):
        found.base_flour_g = float(base[1].replace(",", ".")) * (1000 if base[2].lower() == "kg" else 1)
        return
    whole = all_of(block.text, order) or _made_before(block, order)
    if whole is not None:
        found.entries.append(Entry(_whole(block.text), block.stage, None, whole))
        return
    try:
        named = mentions(line_of(block.text), habits)
    except (ValueError, OverflowError):
        found.unread.append(block.text)
        return
    finishing = any(each.aside for each in named) or block.stage == ASIDE_STAGE
    named = tuple(
        replace(each, aside=True) if finishing and each.g is None and each.percent is None else each for each in named
    )
    usable = [each for each in named if _says_enough(each)]
    if not usable:
        found.unread.append(block.text)
    else:
        found.unread += [each.text for each in named if not _says_enough(each)]
    for each in usable:
        one = replace(each, text=block.text) if len(usable) == 1 else each
        aside = one.aside or block.stage == ASIDE_STAGE
        found.entries.append(Entry(replace(one, aside=aside), ASIDE_STAGE if aside else block.stage))
        water = _HYDRATION.search(each.text) if each.item.role == "flour" and each.g is not None else None
        if water is not None:
            share = float((water[1] or water[2]).replace(",", "."))
            item = next(item for item in ingredients() if item.kind == "water")
            said = Mention(each.text, "water", item, None, message("recipe-why-percent"), (share, share))
            found.entries.append(Entry(said, block.stage))


_OF_STAGE = re.compile(
    r"^\W*(?:\d[\d.,/\s]*\s*(?:g|grams?|kg|oz|lb)\s+)(?:of\s+)?(?:the\s+|all\s+)*(?:ripe\s+|active\s+)?"
    r"(?P<stage>levain|leaven|sour(?:dough)?|starter|poolish|biga|sponge|soaker|scald|old dough|pre-?ferment)\b"
    r"(?!\s+(?:flour|starter))",
    re.IGNORECASE,
)


def _made_before(block: Block, order: list[str]) -> str | None:
    """The stage that an amount in a later list is of: 220 g levain, where a levain was made; None if of none."""
    match = _OF_STAGE.match(block.text)
    key = stage_named(match["stage"]) if match else None
    return key if key in order and key != block.stage and not all_of(block.text, order) else None


def _says_enough(each: Mention) -> bool:
    return each.g is not None or each.percent is not None or each.taste or each.feel or each.aside


def _whole(text: str) -> Mention:
    item = next(item for item in ingredients() if item.role == "levain")
    return Mention(text, text, item, Grams(0, 0, 0), message("recipe-why-whole-stage"))


def _said_in(block: Block, habits: Habits) -> tuple[Mention, ...]:
    """What a sentence names; nothing, if its amounts cannot be made out."""
    try:
        return mentions(counted(plain(block.text), True), habits)
    except (ValueError, OverflowError):
        return ()


def _is_new(each: Mention, found: Gathered) -> bool:
    """Whether a sentence's amount is of something that no line lists: not water to wet a tray, not steam."""
    if each.aside or re.search(r"\b(?:tray|pan|oven|stone|steam|brush|sprinkle|dust)\b", each.text, re.IGNORECASE):
        return False
    return not (each.item.role == "levain" and found.stages)


def _from_sentences(found: Gathered, told: list[tuple[int, Block, tuple[Mention, ...]]]) -> None:
    """A recipe told in sentences: the last that has flour makes the dough, those before it what ferments first."""
    amounts = [(index, block, [each for each in named if each.g is not None]) for index, block, named in told]
    bearing = [index for index, _, named in amounts if any(each.item.role == "flour" for each in named)]
    for index, _, named in amounts:
        stage = FINAL
        if bearing and index in bearing[:-1] and _is_before(named):
            kind = _leaven_of(named)
            stage = kind if kind not in found.stages else f"before-{index + 1}"
            found.stages[stage] = kind
            found.named_stage[index] = stage
        for each in named:
            made = next((key for key, kind in found.stages.items() if kind == "levain"), None)
            if made and made != stage and each.item.role == "levain" and each.part == "some":
                found.entries.append(Entry(replace(_whole(each.text), text=each.text), stage, index, made))
            elif _is_new(each, Gathered()):
                found.entries.append(Entry(each, stage, index))


def _is_before(named: list[Mention]) -> bool:
    """Whether what a sentence mixes ferments by itself: it has flour, water and a leaven."""
    return {"flour", "water"} <= {each.item.role for each in named} and any(
        each.item.role in ("levain", "yeast") for each in named
    )


def _leaven_of(named: list[Mention]) -> StageKind:
    """What a mixture of flour, water and leaven is called."""
    if any(each.item.role == "levain" for each in named):
        return "levain"

    def grams(role: str) -> float:
        return sum(each.g.likely for each in named if each.item.role == role and each.g is not None)

    wet = grams("water") / max(grams("flour"), 1e-9)
    return "poolish" if wet >= 0.85 else "sponge" if wet >= 0.6 else "biga"


def _named_again(found: Gathered, index: int, block: Block, named: tuple[Mention, ...], order: list[str]) -> None:
    """Amounts of a sentence that are a part of what was listed and ferment first: they are taken from the dough."""
    parts = [each for each in named if each.g is not None and each.item.role in ("flour", "water", "yeast")]
    flour = any(each.item.role == "flour" for each in parts)
    of_listed = any(each.part == "some" for each in parts)
    if not (flour and of_listed and _WAITS.search(block.text)) or order or found.named_stage:
        return
    leavens = [each for each in named if each.item.role in ("levain", "yeast")]
    if not leavens:
        return
    kind = _leaven_of([*parts, *leavens])
    found.stages[kind], found.named_stage[index] = kind, kind
    for each in parts:
        _take(found, each, kind, index)
    for each in leavens:
        if each.g is None:
            found.entries = [
                replace(entry, stage=kind) if entry.mention.item.role == each.item.role else entry
                for entry in found.entries
            ]


def _take(found: Gathered, part: Mention, stage: str, index: int) -> None:
    """Move a part of what is listed for the dough to an earlier stage."""
    same = [
        (place, entry) for place, entry in enumerate(found.entries)
        if entry.stage == FINAL and entry.mention.item.role == part.item.role and entry.mention.g is not None
    ]  # fmt: skip
    exact = [each for each in same if each[1].mention.item.kind == part.item.kind]
    if not same or part.g is None:
        return
    place, entry = max(exact or same, key=lambda each: each[1].mention.g.likely if each[1].mention.g else 0)
    whole = entry.mention.weight
    left = Grams(max(whole.low - part.g.high, 0), max(whole.likely - part.g.likely, 0), max(whole.high - part.g.low, 0))
    found.entries[place] = replace(entry, mention=replace(entry.mention, g=left))
    taken = replace(entry.mention, g=part.g, text=part.text, why=part.why)
    found.entries.append(Entry(taken, stage, index))


def _soaked(found: Gathered) -> None:
    """What the dough's list has of a soaker by its weight, water and all ("115 g linseed, soaked"), is the soaker."""
    for key in {entry.stage for entry in found.entries} & {"soaker", "scald"}:
        made = sum(entry.mention.weight.likely for entry in found.entries if entry.stage == key)
        for place, entry in enumerate(found.entries):
            g = entry.mention.weight.likely
            said = re.search(r"\b(?:soaked|scalded)\b", entry.mention.text, re.IGNORECASE)
            if entry.stage == FINAL and said and not entry.whole_stage and abs(g - made) < 0.03 * made:
                found.entries[place] = replace(entry, mention=_whole(entry.mention.text), whole_stage=key)


def _scalded(found: Gathered, sentences: list[str]) -> None:
    """Boiling water that a sentence pours over something: both stand first, before the dough."""
    hot = [
        entry for entry in found.entries
        if entry.stage == FINAL and entry.mention.item.role == "water" and _HOT_WATER.search(entry.mention.text)
    ]  # fmt: skip
    if not hot or any(kind in ("soaker", "scald") for kind in found.stages.values()):
        return
    for index, sentence in enumerate(sentences):
        if not WORDS["soak"].search(sentence):
            continue
        kinds = {item.name for _, item in named_in(sentence) if item.role in ("flour", "extra")}
        wetted = [
            entry for entry in found.entries
            if entry.stage == FINAL and entry.mention.item.name in kinds and entry.mention.g is not None
        ]  # fmt: skip
        if wetted:
            found.stages["scald"] = "scald"
            found.named_stage[index] = "scald"
            moved = [*hot, *wetted]
            found.entries = [replace(e, stage="scald") if e in moved else e for e in found.entries]
            return


def _kinds(found: Gathered, order: list[str]) -> None:
    """What each headed stage is, by its heading and by what raises it."""
    headed: dict[str, StageKind] = {}
    for key in order:
        within = [entry.mention for entry in found.entries if entry.stage == key and not entry.whole_stage]
        if not within:
            continue
        roles = {each.item.role for each in within}
        if key in ("first", "second", "third", "levain"):
            chained = key in ("second", "third") and "yeast" not in roles
            wild = "levain" in roles or chained or "yeast" not in roles
            headed[key] = "levain" if wild else "sponge"
        elif key in ("poolish", "biga", "sponge") and "levain" in roles and "yeast" not in roles:
            headed[key] = "levain"
        elif key == "old_dough":
            headed[key] = "sponge"  # it is made for this bake, the day before, with its salt
        else:
            headed[key] = key  # type: ignore[assignment]  # soaker, scald, poolish, biga, sponge or old dough
    found.stages = {**headed, **found.stages}
    found.entries = [
        replace(e, stage=FINAL) if e.stage not in (*found.stages, FINAL, ASIDE_STAGE) else e for e in found.entries
    ]


def put_right(found: Gathered, fixes: tuple[ItemFix, ...]) -> None:
    """What the baker says of items, by their text: their stage, their grams, or that they are left out."""
    for fix in fixes:
        entries = []
        for entry in found.entries:
            if entry.mention.text != fix.text:
                entries.append(entry)
            elif not fix.out:
                stage = fix.stage if fix.stage in (*found.stages, FINAL) else entry.stage
                exact = None if fix.g is None else Grams(fix.g, fix.g, fix.g)
                said = entry.mention
                if exact is not None:
                    said = replace(
                        said, g=exact, why=message("recipe-why-baker"), doubts=(), optional=False, feel=False
                    )
                if fix.yeast is not None and said.item.role == "yeast":
                    kind = next(item for item in ingredients() if item.kind == f"{fix.yeast}_yeast")
                    said = replace(said, item=kind, doubts=tuple(d for d in said.doubts if d != "which_yeast"))
                entries.append(replace(entry, stage=stage, mention=said))
        found.entries = entries


def leftover(found: Gathered, stage: str) -> Message | None:
    """What is asked when less of a stage is used than it makes; None if all of it is, or nothing is said."""
    for entry in found.entries:
        if entry.whole_stage == stage:
            used = next(
                (each for each in figures(counted(plain(entry.mention.text), True)) if each.kind == "amount"), None
            )
            made = sum(
                e.mention.g.likely
                for e in found.entries
                if e.stage == stage and e.mention.g is not None and not e.whole_stage
            )
            if used is not None and used.unit == "gram" and used.middle < 0.95 * made:
                return message("recipe-leftover", stage=stage, used=used.middle, made=made)
    return None
