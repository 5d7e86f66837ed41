# What is refused: culture.

culture-absence-past = The absence begins in the past.
    .remedy = Give a time to come.
culture-name-length = The culture's name is empty or longer than 40 letters.
    .remedy = Give it a short name.
culture-flour-unknown = '{ $flour_kind }' is not a flour I know.
    .remedy = Choose one of { $names }.
culture-note-length = The note is longer than 500 letters.
    .remedy = Shorten it.
culture-preferment-unknown = '{ $kind }' is none I know.
    .remedy = Choose one of { $names }.
culture-fridge-one-end = Only one end of the time in the fridge is given.
    .remedy = Give both, or neither.
culture-fridge-outside = The time in the fridge does not lie between mixing and ripe.
    .remedy = Put it between the two.
culture-yeast-too-slow = Even { $most_percent } % of yeast is not ripe by then.
    .remedy = Give it longer, or a warmer place.
culture-yeast-too-fast = Even { $least_percent } % of yeast is past it by then.
    .remedy = Mix it later, or put it in the fridge.
culture-event-unknown = '{ $kind }' is nothing that I can keep.
    .remedy = Choose one of { $names }.
culture-place-missing = Where it was moved to is missing.
    .remedy = Choose counter or fridge.
culture-look-empty = Nothing was noted.
    .remedy = Give at least one of height, temperature, surface, smell.
culture-choice-unknown = '{ $value }' is not one of the choices.
    .remedy = Choose one of { $names }.
culture-weight-missing = The weight is missing.
    .remedy = Weigh the jar with the culture, without its lid.
culture-wanted-past = It is wanted in the past.
    .remedy = Give a time to come.
culture-jar-unmeasured = Neither the jar's inner width nor its volume is given.
    .remedy = Measure one of them: fill it with water on the scale, a gram is a millilitre.
culture-jar-lighter-than-empty = The jar with the culture weighs { MASS($gross_g) }, less than the jar alone ({ MASS($empty_g) }).
    .remedy = Weigh it without the lid, or correct the jar's empty weight.
culture-height-beyond-jar = A height of { $height_mm } mm is beyond the jar, which is { NUMBER($rim, minimumFractionDigits: 0, maximumFractionDigits: 0) } mm high.
    .remedy = Measure from the bottom of the culture to its level, in mm.
culture-feed-time-twice = The same feed is there twice.
    .remedy = Take one of them away.
culture-feed-times-of-two-kinds = Some feeds have a day of the week, others none.
    .remedy = Give each its day, or none of them.
culture-several-feeds-need-days = Several feeds come every day, or on days of every week.
    .remedy = Choose every day, or days of the week.
culture-jar-never-weighed = What the empty jar weighs is not written down.
    .remedy = Write it down with the culture, or weigh the culture without its jar.
culture-flour-twice = This flour is there twice.
    .remedy = Give it once, with all of its share.
culture-flours-too-much = The flours that are mixed in leave nothing of the first.
    .remedy = Give them at most 95 % together.
culture-weekday-needs-weeks = A feed on one day of the week comes every 7, 14 ... days.
    .remedy = Choose 7 or 14.
culture-sour-unknown = '{ $stages }' is no way I know.
    .remedy = Choose one of { $names }.
culture-sour-not-rye = A rye sour is led with rye.
    .remedy = Choose fine rye or whole rye.
culture-leaven-the-same = This dough is already raised by { $leaven }.
    .remedy = Choose the other leaven.

care-two-days-cold = Two days cold do a culture no harm: into the fridge as it is, lid loose.
care-into-the-fridge = Into the fridge
care-feed = Feed it
care-feed-again = Feed it once more
care-cold = Once it has begun to rise. Lid loose; the warmest shelf for a week, the coldest for a month.
care-dry = For so long, dry a part of it too: spread it thin on paper, crumble it when it is brittle.
care-dried-backup = Make a dried backup
care-feed-amounts = { MASS($seed) } culture, { MASS($flour) } flour, { MASS($water) } water.

guide-day-1 = Whole grain flour and water, equal parts, kept warm. Nothing to see.
guide-day-2 = A few bubbles at most. Stir, cover, wait.
guide-day-3 = Often a fast, ill-smelling rise: bacteria that sourness will kill, not yeast yet. Feed it daily from now on.
guide-day-4 = It goes quiet. Most give up here; go on feeding.
guide-day-5 = Quiet, a sharper smell. Go on.
guide-day-6 = First small, even bubbles; it rises a little and smells sour, not foul.
guide-day-7 = It rises by half. Feed twice a day from now on, each time at its height.
guide-day-8 = It may double. Twice in a row, within ten hours of a feed, and it is a culture.
guide-day-later = Feed twice a day; a cold kitchen takes two weeks.
guide-usual = Usual is { $low } to { $high } days, whatever the first bubbles promise.
guide-spoilt = Coloured or fuzzy growth is mould or worse.
guide-waking = It rises by itself now: yeast is there. It is no levain until it doubles twice in a row.
guide-nearly = It doubled once. Once more in a row, and you have a culture.
guide-do-spoilt = Throw all of it away, clean the jar with hot water, and begin again.

thrift-as-now = As you feed it now
thrift-smaller = Keep only { MASS($seed) } each time and feed { MASS($flour) } flour, { MASS($water) } water: it ripens just so, and a levain is built up from it when one is wanted.
thrift-weekly = Feed it once a week, leave it an hour or two in the room, and keep it in the fridge.

ripe-when-poolish = Ripe when its dome has just flattened and begins to dimple; collapsed is too late.
ripe-when-biga = Ripe when it has about tripled, its dome is just giving way and it smells of fruit and wine.
ripe-when-sponge = Ripe when it has risen well and begins to sink in the middle.
ripe-when-old_dough = Ripe when it has doubled and smells of yeast and apples; then cold, for at most three days.
ripeness-early = Wait, and look again in half an hour; somewhere warmer hurries it.
ripeness-ripe = Mix the dough now. If that cannot be, put it in the fridge: it waits there for a few hours.
ripeness-past = Use it all the same, soon: the dough will be slacker and sourer, so shorten bulk a little.
clock-early = by the clock it is still early
clock-come = by the clock its time has come

why-not-help = Bake later, keep it warmer, or raise the dough with a little yeast.
why-not-too-little = { MASS($grams) } of culture is too little to build so much from in the time.
why-not-starved = Left as it is, it is too weak by then: feed it once or twice before, and ask again.
why-not-between = No feed is ripe just then: those given sooner are past it, those given later not there yet. Ask for another hour.
why-not-asleep = Every feed that is ripe then falls in your sleep.

health-spoilt-why = pink, orange or fuzzy growth, or a smell of rot, is no sourdough's
health-spoilt = Discard all of it. Start again from a backup.
health-fallen = it has sunk on the glass, from { $was } to { $now } mm
health-on-its-way = by time and temperature it is still on its way
health-was-hungry = it went hungry before its last feed, which slows it
health-slow = its heights on the glass are slower than usual
health-hungry = Feed it { $feeds ->
        [one] once
       *[other] { $feeds } times, back to back,
    } with equal parts, in the warm; it is awake when it doubles in its usual time.
health-past-peak = Still good as a seed. Feed it or chill it; it only turns sourer.
health-sluggish = Keep it at { WARMTH(26) } and feed it at its peak, twice; a little rye enlivens it.
health-ripe = Use it now, feed it, or put it in the fridge.
health-not-yet-cold = Leave it until it has begun to rise, an hour or two; then into the fridge.
health-leave = Leave it be.
care-wake = Wake it: feed
care-wake-of = Wake it: feed { $number } of { $feeds }
care-pour-off = Pour off or stir in what stands on top.
care-doubles-in = It should double in about { $hours } h.
guide-waiting = Nothing is to be seen yet, and nothing need be.
guide-early_burst = It rises, but this is not yeast: other bacteria come first, and die as it sours.
guide-quiet = The quiet days are part of it: it is turning sour, and yeast comes after.
guide-ready = It doubled once. Once more in a row, and you have a culture.
guide-cool-kitchen = Your kitchen is cool, so count on the longer end.
guide-late = It is late: warmer, and a spoon of rye, are what helps.
guide-do-waiting = Stir once or twice a day, lid loose. From the third day on feed it daily.
guide-do-warm = Keep it at { WARMTH(26) } to { WARMTH(28) }: in the oven with only the lamp on, or beside warm water.
guide-do-once = Keep { MASS($flour) }, feed { MASS($flour) } flour and { MASS($flour) } water once a day, part of it whole rye. Do not skip a day because it sleeps.
guide-do-twice = Keep { MASS($flour) }, feed { MASS($flour) } flour and { MASS($flour) } water twice a day, each time at its height, and mark the level: the mark tells when it doubles.
guide-read = +{ $percent } % in { $hours } h
why-not-too-short = The time is too short
why-not-too-short-by = The time is too short by { SPAN($minutes) }
why-not-ripe = { $late }: even equal parts are not ripe by then.
why-not-hungry = { $late }: it is hungry, and wants { $feeds ->
        [one] a feed
       *[other] { $feeds } feeds
    } before it is built from.
health-ripe-for-hours = it has been ripe for about { $hours ->
        [one] an hour
       *[other] { $hours } hours
    }, counted at { WARMTH(24) }
health-ripe-for-days = it has been ripe for about { $days } days, counted at { WARMTH(24) }
culture-jar-too-small = Your jar is too small: it would rise to { $high } mm and be over by about { $over } ml. Build it in a bigger one, or in two.
