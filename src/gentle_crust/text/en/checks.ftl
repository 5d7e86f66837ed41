# Oddities of a formula: why, and what to do about it.

check-salt-low = Salt is { $percent } %: flat bread, and a fast, slack dough.
    .remedy = Usual is 1.8 to 2.2 %.
check-salt-high = Salt is { $percent } %: it will taste of it, and the dough is slow.
    .remedy = Usual is 1.8 to 2.2 %; was it a spoon of another salt?
check-batter = These flours carry about { NUMBER($carries, maximumFractionDigits: 0) } % water: at { $has } % this is a batter.
    .remedy = Bake it in a tin or tray, or take less water.
check-very-wet = These flours carry about { NUMBER($carries, maximumFractionDigits: 0) } % water: at { $has } % this is a very wet dough.
    .remedy = Fold it in the bowl, then coil it, in an oiled box; keep some water back for the second mixing.
check-dough-warm = { WARMTH($dough_c) } is warmer than this dough likes ({ WARMTH($low_c) } to { WARMTH($high_c) }): quick, slack, and soon past it.
    .remedy = Take cooler water or flour from a cool place, or mix for fewer minutes; else watch it, and stop it early.
check-dough-hot-levain = At { WARMTH($dough_c) } a levain’s yeast hardly grows any more while its bacteria do: sour, slow and slack.
    .remedy = Take water that brings it to { WARMTH($low_c) } to { WARMTH($high_c) }.
check-dough-cool = { WARMTH($dough_c) } is cooler than this dough likes: it will be slow.
    .remedy = Take warmer water for { WARMTH($low_c) } or more, or plan for the time.
check-very-stiff = These flours carry about { NUMBER($carries, maximumFractionDigits: 0) } % water: at { $has } % this hardly comes together.
    .remedy = Take more water, or a machine made for stiff dough.
check-much-preferment = { NUMBER($percent, maximumFractionDigits: 1) } % of the flour ferments first: over half makes a tired, sour dough.
    .remedy = Usual is 5 to 40 %.
check-not-stiff = A biga is stiff, but at { $percent } % water this is a batter.
    .remedy = Give it 50 to 65 %, or call it a poolish.
check-much-yeast = { NUMBER($percent, maximumFractionDigits: 2) } % yeast (as instant) doubles a warm dough in under an hour.
    .remedy = 0.2 to 1 % instant is plenty for lean bread.
check-too-quick = At { WARMTH($dough_c) } bulk is over in about { SPAN($minutes) }: little flavour, and no time to divide.
    .remedy = Take less leaven, or a cooler dough.
check-too-slow = At { WARMTH($dough_c) } bulk takes about { NUMBER($hours, maximumFractionDigits: 0) } h: longer than a night.
    .remedy = Take more leaven, or a warmer dough.
check-over-a-day = At { WARMTH($dough_c) } bulk takes over a day: longer than a night.
    .remedy = Take more leaven, or a warmer dough.
check-bowl-small = { MASS($dough_g) } of dough at +{ NUMBER($rise, maximumFractionDigits: 0) } % fill { NUMBER($wants, maximumFractionDigits: 1) } litres.
    .remedy = The bowl holds { $holds }: use two, or a bigger box.
check-mixer-small = { MASS($dough_g) } of dough; the mixer takes { MASS($most_g) }.
    .remedy = Mix in two batches, or by hand; the maker's limit comes first.
check-tin-small = { NUMBER($fills, maximumFractionDigits: 2) } g of dough per ml of tin: it will run over.
    .remedy = { MASS($low_g) } to { MASS($high_g) } suit this tin.
check-tin-large = { NUMBER($fills, maximumFractionDigits: 2) } g of dough per ml of tin: a low, flat loaf.
    .remedy = { MASS($low_g) } to { MASS($high_g) } suit this tin.
check-too-small = { $name }, { MASS($g) }: a scale of { $scale_g } g cannot be trusted below { $trusted_g } g.
    .remedy = Weigh more of it at once, or take a finer scale.
check-too-small-spoon = { $name }, { MASS($g) }: a scale of { $scale_g } g cannot be trusted below { $trusted_g } g.
    .remedy = About { $spoons } { $spoons ->
        [one] teaspoon
       *[other] teaspoons
    }.
check-too-small-stir = { $name }, { MASS($g) }: a scale of { $scale_g } g cannot be trusted below { $trusted_g } g.
    .remedy = Stir { MASS($stirred_g) } into { MASS($water_g) } of the water and use { MASS($used_g) } of it.
check-too-small-spoon-or-stir = { $name }, { MASS($g) }: a scale of { $scale_g } g cannot be trusted below { $trusted_g } g.
    .remedy = About { $spoons } { $spoons ->
        [one] teaspoon
       *[other] teaspoons
    }; or stir { MASS($stirred_g) } into { MASS($water_g) } of the water and use { MASS($used_g) } of it.
