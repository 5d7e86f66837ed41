# A dough at the bench: what is called out, what changes of course ask, what it runs into, and ways out.

live-extra-fold = Extra fold
live-move-cold = Whole dough into the fridge
live-move-warm = Put it somewhere warm
live-move-cool = Put it somewhere cool
live-stands = About { WARMTH($warm) }, covered.
live-oven-free = If that is the oven, not lit: out of it by { CLOCK($at) }, when it must heat.
live-back = Dough out of the fridge
live-back-how = Back into the room.
live-reshape = Fold gently, shape again
live-reshape-how = Wet hands, two or three folds, shape it without pressing. Then a short proof.

live-say = { $what }.
live-say-feed = Feed the culture.
live-say-levain = Build the levain.
live-say-preferment = Mix the preferment.
live-say-autolyse = Stir flour and water, then let them rest.
live-say-mix = Mix the dough.
live-say-divide = Divide. Look whether it is ready first.
live-say-shape = Shape, seam closed.
live-say-chill = Into the fridge.
live-say-preheat = Oven on.
live-say-uncover = Lid off, away from you. Gloves on.
live-say-vent = Steam out. Stand aside.
live-say-load = Load. Gloves on.
live-say-steam_out = Take it out. Gloves on.
live-say-out = Look whether it is baked. Gloves on.
live-say-cut = Cool enough to cut.
live-say-fold = Fold, wet hands.
live-say-fold-of = Fold { $number } of { $of }, wet hands.

clash-listed = { $step } at { CLOCK($at) }
clash-listed-more = { $steps } and { $more } more
clash-asleep = While you sleep: { $steps }.
clash-away = While you are away: { $steps }.
clash-hands = Two things at once, for { SPAN($minutes) }: { $step } at { CLOCK($at) }, and { $name }: { $other }.
clash-oven = The oven is taken: { $name } is in it until { CLOCK($until) }, this one is wanted in it at { CLOCK($at) }.

remedy-chill = Chill the shaped dough at { CLOCK($at) }, load at { CLOCK($load) }.
remedy-wait = Let it wait: { $step } at { CLOCK($at) }, load at { CLOCK($load) }.
remedy-hold = Hold it in the fridge from { CLOCK($at) }, load at { CLOCK($load) }.
remedy-load = Load at { CLOCK($load) } instead; it waits in the fridge.
remedy-bowl = Chill the whole dough at { CLOCK($at) }, out again at { CLOCK($up) }; { $then }.
remedy-warm = Warm it, to { WARMTH($warm) }: { $then }.
remedy-cool = Cool it, to { WARMTH($warm) }: { $then }.
remedy-then-divide = divide at { CLOCK($at) }, load at { CLOCK($load) }
remedy-then-divide-cold = divide at { CLOCK($at) }, then the fridge, load at { CLOCK($load) }
remedy-then-load = load at { CLOCK($load) }
remedy-then-load-cold = then the fridge, load at { CLOCK($load) }
remedy-busy = Two things then want hands at { CLOCK($at) }.
remedy-reshape = Fold it gently and shape it again.
remedy-flat = Bake it as a flatbread.
rescue-reshape = Fold it gently, shape it again and proof it once more: load about { CLOCK($load) }.
rescue-flatbread = Dimple it into an oiled tray and bake it flat: load at { CLOCK($load) }.

## Changes by hand

edit-not-now = That cannot be done with this dough as it stands now.
    .remedy = Look at what can be changed now; what was pressed meanwhile may have moved it on.
edit-until = The time is missing, or not between five minutes and seven days from now.
    .remedy = Give a day and an hour to come.
edit-pieces = So many pieces cannot be kept for later.
    .remedy = Keep between 1 and { $most } of them.
edit-vessel = That vessel is not in this kitchen.
    .remedy = Choose one of those in Kitchen, under what it bakes in.
edit-dough-g = A dough of that weight is not the one that was planned.
    .remedy = Give the whole dough's weight, between { MASS($low) } and { MASS($high) }.
edit-each = Each piece weighs { MASS($g) }.
edit-next = Next: { $step }, { DAYCLOCK($at) }.
edit-out = Out of the oven { DAYCLOCK($at) }.
edit-out-part = Out of the oven, { $part }: { DAYCLOCK($at) }.
