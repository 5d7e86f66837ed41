# What is refused: water.

water-nothing-to-set-with = There is no water to set the temperature with.
    .remedy = Give the water's grams.
water-mixing-unknown = '{ $mixing }' is not a way of mixing I know.
    .remedy = Choose one of { $names }.
water-too-hot = A dough at { WARMTH($target_dough_c) } would need water at { WARMTH($wanted, 0) }; above 50 C is refused.
    .remedy = Ask for { WARMTH($warmest, 1) } or less, or warm the flour.
water-no-water-poured = No water was poured.
    .remedy = Give the grams and temperature of each water.
water-sum-wrong = The waters add up to { MASS($total) }, but the dough takes { MASS($water_g) }.
    .remedy = Change one or the other until they agree.
water-bowl-unknown = '{ $material }' is no bowl I know.
    .remedy = Choose one of { $names }.
