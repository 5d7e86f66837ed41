"""Two changes of one thing: what differs, field by field, and what could stand of both."""

from dataclasses import dataclass
from typing import Any, Literal

from gentle_crust.core.errors import Conflict, called
from gentle_crust.core.limits import all_limits
from gentle_crust.core.messages import message
from gentle_crust.text.render import say

Body = dict[str, Any]
Side = Literal["mine", "theirs", "both"]


@dataclass(frozen=True)
class FieldChange:
    """One field that differs: as the one who comes second wants it, as it stands by now, and of both, if that can be.

    ``path`` is its name, or two with a dot between; ``clash``: both changed it, and not to the same. ``unit`` is that
    of a figure; ``proposed`` is what would stand if nobody chose: whatever only one of them changed.
    """

    path: str
    words: str
    mine: Any
    theirs: Any
    both: Any
    clash: bool
    unit: str
    proposed: Literal["mine", "theirs", "both"]


class ChangedMeanwhile(Conflict):
    """Somebody else saved first. ``fields`` tells what differs, ``etag`` names the state to save over knowingly."""

    def __init__(self, what: str, etag: str, fields: tuple[FieldChange, ...]) -> None:
        super().__init__("etag", "contract-changed-meanwhile", what=what)
        self.etag, self.fields = etag, fields


def changes(base: Body | None, mine: Body, theirs: Body) -> tuple[FieldChange, ...]:
    """Fields in which ``mine`` and ``theirs`` differ; ``base`` is what both began from, if that is still known."""
    found = []
    flat_base = None if base is None else _flat(base)
    flat_mine, flat_theirs = _flat(mine), _flat(theirs)
    for path in dict.fromkeys((*flat_mine, *flat_theirs)):
        here, there = flat_mine.get(path), flat_theirs.get(path)
        if here == there:
            continue
        before = None if flat_base is None else flat_base.get(path)
        clash = flat_base is None or (before != here and before != there)
        both = _both(before, here, there)
        proposed: Side = "both" if both is not None else "theirs" if not clash and here == before else "mine"
        words, unit = _named(path)
        found.append(FieldChange(path, words, here, there, both, clash, unit, proposed))
    return tuple(found)


def _flat(body: Body) -> Body:
    """Fields by their path: those of an object one by one, lists whole."""
    found: Body = {}
    for name, value in body.items():
        if isinstance(value, dict):
            found |= {f"{name}.{inner}": each for inner, each in value.items()}
        else:
            found[name] = value
    return found


def _both(before: Any, mine: Any, theirs: Any) -> Any:
    """Of two lists all that either has and neither took away, by their ids or names; None of anything else."""
    if not isinstance(mine, list) or not isinstance(theirs, list):
        return None
    gone = {_key(each) for each in before or [] if _key(each) not in {_key(one) for one in mine}}
    had = {_key(each): each for each in before or []}
    here = {_key(each): each for each in mine}
    found = [
        here[_key(each)] if _key(each) in here and here[_key(each)] != had.get(_key(each)) else each
        for each in theirs
        if _key(each) not in gone
    ]
    kept = {_key(each) for each in found}
    lost = {_key(each) for each in before or []} - {_key(each) for each in theirs}
    return [*found, *(each for each in mine if _key(each) not in kept | lost)]


def _key(each: Any) -> str:
    if isinstance(each, dict):
        return str(each.get("id") or each.get("name") or each.get("kind") or each)
    return str(each)


def _named(path: str) -> tuple[str, str]:
    """What a field is called, and the unit of its figures."""
    name = path.rsplit(".", 1)[-1]
    limit = all_limits().get(name.upper())
    if limit is None:
        return name.replace("_", " ").capitalize(), ""
    return say(called(limit)).sentence, say(message(f"unit-{limit.unit or 'none'}")).sentence.strip()
