# What is refused: water.

water-nothing-to-set-with = There is no water to set the temperature with.
    .remedy = Give the water's grams.
water-mixing-unknown = '{ $mixing }' is not a way of mixing I know.
    .remedy = Choose one of { $names }.
water-too-hot = A dough at { WARMTH($target_dough_c) } would need water at { WARMTH($wanted, 0) }; above { WARMTH(50) } is refused.
    .remedy = Ask for { WARMTH($warmest, 1) } or less, or warm the flour.
water-no-water-poured = No water was poured.
    .remedy = Give the grams and temperature of each water.
water-sum-wrong = The waters add up to { MASS($total) }, but the dough takes { MASS($water_g) }.
    .remedy = Change one or the other until they agree.
water-bowl-unknown = '{ $material }' is no bowl I know.
    .remedy = Choose one of { $names }.

factor-rule-preferment = { $by } it gives what fermented first the weight of all the flour, but it is only { MASS($levain) }.
factor-rule-bowl = { $by } it forgets the bowl, which takes its share of the heat.
factor-rule-parts = { $by } it counts flour, room and water alike, but water holds over twice the heat of flour, the room none.

water-ice-stays = About { MASS($g) } of the ice does not melt in this dough: take that much less.
water-speed-unknown = '{ $speed }' is no speed I know.
    .remedy = Choose one of { $names }.

water-kills-yeast = Water above { WARMTH(43) } kills dry yeast: mix water and flour first, yeast afterwards.
water-harms-levain = Water above { WARMTH(35) } harms a levain: mix water and flour first, levain afterwards.
water-sleepy-yeast = Dry yeast wakes badly in water below { WARMTH(15) }: rub it into the flour, not the water.
water-kettle-scalds = Kettle water scalds: pour it into the cold water, and stir before it meets the flour.
water-chill-flour = Half ice is not cold enough: put the flour in the fridge as well.
factor-rule-warmer = The factor rule says { WARMTH($says) }, { DIFFERENCE($apart) } warmer:
factor-rule-colder = The factor rule says { WARMTH($says) }, { DIFFERENCE($apart) } colder:
water-too-little-poured = The waters add up to { MASS($poured) }, less than the { MASS($asked) } of the formula: the dough is reckoned with what was poured.
water-too-much-poured = The waters add up to { MASS($poured) }, more than the { MASS($asked) } of the formula: the dough is reckoned with what was poured.
water-hotter-than-any-dough = Above { WARMTH(50) } is too hot for any dough: take a cooler dough.
advice-wheat-slow = Slow and cool: more flavour, and the dough is patient.
advice-wheat-usual = { $culture ->
    [1] Culture and gluten are at ease here.
   *[other] Yeast and gluten are at ease here.
}
advice-wheat-quick = { $culture ->
    [1] Quicker, and sourer; the dough softens sooner.
   *[other] Quicker, with less flavour; watch it.
}
advice-rye-slow = Slow, and more vinegar than milk in its sourness.
advice-rye-usual = Rye likes it warm: its sourness is mild, and it rises while it holds.
advice-rye-quick = Quick, and milky sour; rye softens fast, so watch it.
