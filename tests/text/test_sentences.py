"""What the core says, as it is stored and as it is answered."""

import logging
from datetime import UTC, datetime

import pytest
from pydantic import ValidationError

from gentle_crust.contract.sentences import MESSAGE, as_read
from gentle_crust.core.messages import NOTHING, Message, joined, message, named, written
from gentle_crust.text.reading import Reading
from gentle_crust.text.render import say, shown

LATE = message("why-not-ripe", late=message("why-not-too-short-by", minutes=95))
SOME = (
    NOTHING,
    named("Gull {1 : 2}"),
    LATE,
    joined(message("why-not-help"), LATE),
    message("limit-of", what=named("Rye"), whose="the pot"),
    message("contract-names", names=("one", "two")),
)


@pytest.mark.parametrize("what", SOME, ids=lambda what: what.code)
def test_a_message_comes_back_from_the_store_as_it_was(what):
    stored = MESSAGE.dump_python(what, mode="json")
    assert stored["code"] == what.code and MESSAGE.validate_python(stored) == what


def test_an_instant_is_stored_as_one_and_said_on_the_kitchens_clock():
    at = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)
    stored = MESSAGE.dump_python(message("moment", at=at), mode="json")
    assert stored["data"]["at"] == at.isoformat()


def test_an_answer_is_written_as_its_reader_reads():
    what = message("care-feed-amounts", seed=28.35, flour=100, water=100)

    def written_for(reading):
        return MESSAGE.dump_python(what, context=as_read(lambda: reading))

    assert written_for(Reading()).startswith("28\u00a0g culture, 100\u00a0g flour")
    assert written_for(Reading(ounces=True)).startswith("1\u00a0oz culture, 3.53\u00a0oz flour")


def test_sentences_of_a_time_when_they_were_stored_are_kept_with_their_figures_marked():
    old = MESSAGE.validate_python(
        "The dough should be about {24.3|c}, {120|g} of it at {2026-11-28T06:30:00+00:00|clock}."
    )
    assert say(old, Reading()).sentence == "The dough should be about 24.5°C, 120\u00a0g of it at Sat 06:30."
    assert say(old, Reading(fahrenheit=True)).sentence.startswith("The dough should be about 76°F")
    assert MESSAGE.validate_python("") == NOTHING == written("")


def test_one_that_no_catalogue_has_any_more_costs_its_sentence_and_nothing_else(caplog):
    stored = {"code": "said-long-ago", "data": {"of": 3}}
    with caplog.at_level(logging.ERROR):
        told = MESSAGE.dump_python(MESSAGE.validate_python(stored), context=as_read(Reading))
    assert told == "said-long-ago of=3" and "said-long-ago cannot be said" in caplog.text


@pytest.mark.parametrize("stored", [3, {"code": "x"}, {"code": 1, "data": {}}, {"code": "x", "data": {"a": None}}])
def test_what_is_no_message_is_refused(stored):
    with pytest.raises(ValidationError):
        MESSAGE.validate_python(stored)


def test_what_says_nothing_is_left_out_of_what_is_joined():
    one = message("why-not-help")
    assert joined(NOTHING, one, NOTHING) == one and joined() == joined(NOTHING) == NOTHING and not NOTHING
    assert say(joined(one, LATE)).sentence == f"{say(one).sentence} {say(LATE).sentence}"


def test_a_record_is_shown_as_json_takes_it():
    told = shown({"of": (Message("nothing"), named("Brack")), "g": 3})
    assert told == {"of": ["", "Brack"], "g": 3}
