# What is refused: readiness.

readiness-not-stage-know = '{ $stage }' is not a stage I know.
    .remedy = Choose one of { $names }.
readiness-not-cue-of-stage = '{ $cue }' is not a cue of the stage { $stage }.
    .remedy = Choose one of { $names }.
readiness-not-figure = '{ $value }' is not a figure.
    .remedy = Give a number in { $unit }.
readiness-cannot = { $cue } cannot be '{ $value }'.
    .remedy = Choose one of { $names }.
readiness-low-likely-high-not-in-order = Low, likely and high are not in order.
    .remedy = Give them from low to high.
