# What is refused: oven.

oven-only-wood-fired-oven = Only a wood-fired oven is fired.
    .remedy = Leave fired out, or give the kind wood.
oven-bake-1-to-12-stages = A bake has 1 to 12 stages, not { $count }.
    .remedy = Give minutes and set points.
oven-wood-fired-oven-bakes = A wood-fired oven bakes with what it was fired to.
    .remedy = Give its heat at loading.
oven-more-than-six-sources-of-steam = More than six sources of steam.
    .remedy = Give six at most.
oven-no-heat-up = That is no heat-up.
    .remedy = Read the thermometer from cold, every few minutes, to 200 C or more.
oven-not-know = '{ $kind }' is not { $what } I know.
    .remedy = Choose one of { $known }.
oven-hazard = { $reason }
    .remedy = { $remedy }
