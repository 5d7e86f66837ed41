"""A recipe that was read, as JSON."""

from typing import Any

from gentle_crust.contract.recipe import ReadQuestion, ReadSentence, Recipe
from gentle_crust.interchange.recipe.compose import plain_formula
from gentle_crust.text.render import shown


def told(recipe: Recipe) -> dict[str, Any]:
    """Formula, method, items, sentences, questions, what was not read, and warnings."""
    return {
        "formula": None if recipe.formula is None else plain_formula(recipe.formula),
        "method": recipe.method,
        "items": shown(recipe.items),
        "sentences": [_sentence(each) for each in recipe.sentences],
        "questions": [_question(each) for each in recipe.questions],
        "unread": list(recipe.unread),
        "warnings": shown(recipe.warnings),
    }


def _sentence(one: ReadSentence) -> dict[str, Any]:
    return {"text": one.text, "stage": one.stage, "took": one.took, "unread": one.unread}


def _question(one: ReadQuestion) -> dict[str, Any]:
    about = {"sentence": one.sentence} if one.sentence is not None else {"item": one.item}
    return {"code": one.code, **about, "text": shown(one.text), "choices": shown(one.choices)}
