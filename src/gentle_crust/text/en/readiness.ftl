# What is refused: readiness.

readiness-stage-unknown = '{ $stage }' is not a stage I know.
    .remedy = Choose one of { $names }.
readiness-cue-unknown = '{ $cue }' is not a cue of the stage { $stage }.
    .remedy = Choose one of { $names }.
readiness-cue-not-a-figure = '{ $value }' is not a figure.
    .remedy = Give a number in { $unit }.
readiness-cue-value-unknown = { $cue } cannot be '{ $value }'.
    .remedy = Choose one of { $names }.
readiness-band-not-in-order = Low, likely and high are not in order.
    .remedy = Give them from low to high.
