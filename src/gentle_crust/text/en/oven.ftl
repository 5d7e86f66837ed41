# What is refused: oven.

oven-fired-not-wood = Only a wood-fired oven is fired.
    .remedy = Leave fired out, or give the kind wood.
oven-stages-count = A bake has 1 to 12 stages, not { $count }.
    .remedy = Give minutes and set points.
oven-wood-heat-missing = A wood-fired oven bakes with what it was fired to.
    .remedy = Give its heat at loading.
oven-too-much-steam = More than six sources of steam.
    .remedy = Give six at most.
oven-heat-up-unreadable = That is no heat-up.
    .remedy = Read the thermometer from cold, every few minutes, to 200 C or more.
oven-kind-unknown = '{ $kind }' is not { $what } I know.
    .remedy = Choose one of { $names }.
oven-hazard = { $reason }
    .remedy = { $remedy }
