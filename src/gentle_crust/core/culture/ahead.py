"""A wish for ripe levain up to ten days ahead: the feeds as usual come first, then those of the wish."""

from dataclasses import replace

from gentle_crust.core.clock import Clock
from gentle_crust.core.culture.culture import Culture
from gentle_crust.core.culture.events import Event
from gentle_crust.core.culture.feeding import FeedAnswer, FeedWish, feed_for
from gentle_crust.core.culture.standing import Standing, before, daily_of, fed_as_usual


def feed_ahead(
    culture: Culture, events: tuple[Event, ...], wish: FeedWish, clock: Clock, standing: Standing, now_h: float = 0.0
) -> FeedAnswer:
    """Ways to ``wish`` from a culture that was fed at least once, through its feeds as usual. CraftError if it is none.

    As many feeds as usual are given as leave room for the wish's own; if nothing comes of that, fewer.
    """
    life, _ = fed_as_usual(culture, events, (), False, clock, now_h)
    usual = standing if standing.hours else daily_of(life, clock, now_h, wish.at_h)
    answers = []
    for feeds in before(usual, now_h, wish.at_h):
        life, from_h = fed_as_usual(culture, events, feeds, usual.then_cold, clock, now_h)
        answer = replace(
            feed_for(culture, life, wish, clock, from_h), usual_h=feeds, assumed=usual.assumed and bool(feeds)
        )
        if answer.ways or answer.as_it_is:
            return answer
        answers.append(answer if not feeds else replace(answer, soonest_h=None))
    return next((each for each in answers if each.night_way), answers[0])
