"""Trials that can be read, and what the parts of a blind one go by until it is judged."""

import logging
from collections.abc import Sequence

from gentle_crust.contract.documents import TRIAL
from gentle_crust.core.errors import Unreadable
from gentle_crust.core.loaf.trial import Trial
from gentle_crust.kitchen.work import Work
from gentle_crust.store.baking import Trials
from gentle_crust.store.models import TrialRow

LOG = logging.getLogger(__name__)


def readable(rows: Sequence[TrialRow]) -> list[tuple[TrialRow, Trial]]:
    """Trials whose row can be read, with what they say; any other is left out, and said in the log."""
    found = []
    for row in rows:
        try:
            found.append((row, TRIAL.read(row.body)))
        except Unreadable:
            LOG.warning("trial %s cannot be read", row.id)
    return found


def letters_of(work: Work, keys: Sequence[str]) -> dict[str, dict[str, str]]:
    """By bake, the letters that its parts go by in blind trials that are not judged yet."""
    with work.read() as session:
        trials = [trial for _, trial in readable(Trials(session).of_bakes(keys))]
    found: dict[str, dict[str, str]] = {}
    for trial in trials:
        if trial.hidden:
            for side, letter in zip(trial.sides, trial.letters, strict=True):
                found.setdefault(side.bake, {})[side.part] = letter
    return found
