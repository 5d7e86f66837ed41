# What is refused: scheduling.

scheduling-no-such-time = { TIME($time) } does not exist on { DATE($time) }: the clocks go forward over it.
    .remedy = Choose { TIME($after) }, or a time before the change.
scheduling-zone-unknown = '{ $name }' is not a time zone I know.
    .remedy = Give a name such as Europe/Lisbon or America/Halifax.
scheduling-no-bulk = The plan has no bulk to follow.
    .remedy = Plan it anew.
scheduling-done-in-future = That time is still to come.
    .remedy = Give the time at which it was done.
scheduling-out-of-order = That puts { $after } before { $before }.
    .remedy = Give the time at which it was done, or take the other back.
scheduling-wanted-out-of-span = The bread is wanted in the past, or more than two weeks ahead.
    .remedy = Choose a time within the next two weeks.
scheduling-stand-missing = How warm it stands is missing.
    .remedy = Give a temperature in C.
scheduling-load-missing = When it is baked is missing.
    .remedy = Give the time of loading.
scheduling-hold-missing = What waits, and until when, is missing.
    .remedy = Give a step and a time.
scheduling-school-unknown = '{ $school }' is no school I know.
    .remedy = Choose one of by_dough, { $names }.
scheduling-sleep-length = Sleep of more than 14 hours leaves no time to bake.
    .remedy = Give the hours of one night.
problem-oven-too-cool = The oven is too cool: this bake wants { WARMTH($wanted) }, the oven reaches { WARMTH($reaches) }, { DIFFERENCE($short) } too little.
