# What is refused: scheduling.

scheduling-no-such-time = { TIME($time) } does not exist on { DATE($time) }: the clocks go forward over it.
    .remedy = Choose { TIME($after) }, or a time before the change.
scheduling-not-time-zone-know = '{ $name }' is not a time zone I know.
    .remedy = Give a name such as Europe/Lisbon or America/Halifax.
scheduling-plan-no-bulk-to-follow = The plan has no bulk to follow.
    .remedy = Plan it anew.
scheduling-time-still-to-come = That time is still to come.
    .remedy = Give the time at which it was done.
scheduling-puts-before = That puts { $after } before { $before }.
    .remedy = Give the time at which it was done, or take the other back.
scheduling-bread-wanted-in-past-or-more = The bread is wanted in the past, or more than two weeks ahead.
    .remedy = Choose a time within the next two weeks.
scheduling-how-warm-stands-missing = How warm it stands is missing.
    .remedy = Give a temperature in C.
scheduling-when-baked-missing = When it is baked is missing.
    .remedy = Give the time of loading.
scheduling-what-waits-until-when = What waits, and until when, is missing.
    .remedy = Give a step and a time.
scheduling-no-school-know = '{ $school }' is no school I know.
    .remedy = Choose one of by_dough, { $names }.
scheduling-sleep-of-more-than-14-hours = Sleep of more than 14 hours leaves no time to bake.
    .remedy = Give the hours of one night.
