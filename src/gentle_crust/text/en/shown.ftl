# A plan as it is shown: what its steps, stages and stretches of dough are called, and what is worth knowing of it.

shown-step-feed = Feed { $culture }
shown-step-levain = Build the levain
shown-step-preferment = Mix the { $kind }
shown-step-soak = Soak
shown-step-scald = Scald
shown-step-old_dough = Old dough into the room
shown-step-autolyse = Flour and water rest
shown-step-mix = Mix
shown-step-knead = Knead
shown-step-fold = Fold
shown-step-chill = Into the fridge
shown-step-out_of_fridge = Out of the fridge
shown-step-move = Put it elsewhere
shown-step-knock_back = Knock back
shown-step-divide = { $shape ->
    [slipper] Cut the pieces
   *[other] Divide
}
shown-step-preshape = Preshape
shown-step-shape = { $shape ->
    [baguette] Roll out
    [roll] Round up
    [flat_round] Round up
   *[other] Shape
}
shown-step-finish = Finish
shown-step-preheat = Preheat
shown-step-score = Score
shown-step-load = Load
shown-step-uncover = Lid off
shown-step-vent = Let the steam out
shown-step-turn = Turn it round
shown-step-swap = Let them change places
shown-step-set_oven = Set the oven
shown-step-out_of_tin = Out of the tin
shown-step-out = Out
shown-step-cut = Cool enough to cut
shown-step-fire = Light the fire
shown-step-rake_out = Rake out
shown-step-test_floor = Try the floor
shown-numbered = { $what } { $number } of { $of }
shown-old-dough = { MASS($g) }, at most three days old, out of the fridge. If none was kept, mix it the day before: { $inside }.
shown-amount-of = { MASS($g) } { LOWER($name) }
shown-stop-at = Stop bulk at +{ $rise } %.

shown-part-feed = Culture
shown-part-levain = Levain
shown-part-preferment = { $kind ->
    [biga] Biga
    [sponge] Sponge
   *[poolish] Poolish
}
shown-part-bulk = Bulk
shown-part-shaping = Shaping
shown-part-proof = Proof
shown-part-keep = Kept
shown-part-warm_up = Warming up
shown-part-rest = Rest
shown-part-bench_rest = Bench rest
shown-weigh-dough = Dough
shown-weigh-old_dough = Old dough
shown-weigh-late = late
shown-weigh-late-warm = { WARMTH($warm) }, late
shown-weigh-warm = { WARMTH($warm) }

shown-bake-lid-on = lid on
shown-bake-lid-off = lid off
shown-bake-steam = steam
shown-bake-dry = dry

shown-folds-kneaded = It is kneaded instead.
shown-folds-paste = It is a paste: stirring is enough.
shown-folds-none = No folds: it will hold less gas and spread; a longer mix makes up for part of it.
shown-folds-too-short = Bulk is over before a fold would come: knead 8 to 10 min when mixing instead.
shown-folds-one = One set of { $kind }, about half way through bulk.
shown-folds-two = { $count } sets of { $kind }, { $every } min apart. Anything from { $least } to { $most } min does no harm: only the first two matter for strength.
shown-folds-more = { $count } sets of { $kind }, { $every } min apart. Anything from { $least } to { $most } min does no harm: only the first two matter for strength; the last may be left out if the dough resists.
shown-folds-kind-stretch = stretch-and-folds
shown-folds-kind-bowl = bowl folds
shown-folds-kind-coil = coil folds
shown-folds-kind-letter = letter folds
shown-folds-kind-bowl-coil = bowl folds, then coil folds

shown-note-cooler = Tap, kettle and ice together give a dough of { WARMTH($gives) }, not { WARMTH($wished) }.
shown-note-loads = { $at_once } at a time: { $loads } loads; the later ones wait in the cold.
shown-note-short = The oven stays { DIFFERENCE($short) } below what this vessel likes: longer at its best heat.
shown-note-weak-yeast = Your dry yeast was weak when it was last tested: this plan counts on { $percent } % of its strength.
shown-note-dead-yeast = Your dry yeast was dead when it was last tested: this plan counts on a new pack.
shown-note-no-proof = This method has no proof: it is baked as soon as it is divided.

shown-taste-mild = mild
shown-taste-little-sour = a little sour
shown-taste-sour = sour
shown-taste-very-sour = very sour

shown-way-of_formula = The method that you wrote down with it.
shown-way-room_steady = A day of folds and looking; even, gentle flavour.
shown-way-warm_quick = Least time, mildest taste; it waits for nobody.
shown-way-cold_shaped = It waits while you sleep; deeper taste, easy scoring.
shown-way-cold_bulk = The whole dough waits in the fridge; shaped on the day.
shown-way-cold_balls = Shaped balls wait for days, and are opened when wanted.
shown-way-overnight_room = It rises in the room while you sleep, then waits a little in the cold.
shown-way-poolish_straight = Cut and straight onto the stone; the poolish gave it its flavour.
shown-way-tin_knock_back = Two rises, a fine and even crumb.
shown-way-tin_once = One rise in the tin; the least time.
shown-way-cold_start = Nothing is heated empty: the cold pot goes into the cold oven.

shown-shade-colder = Kitchen { DIFFERENCE($k) } colder
shown-shade-weaker = Leaven a fifth weaker
shown-shade-late = Mixed an hour late
shown-shade-well = By the clock it meets the oven at { $share } %, wanted { $low } to { $high } %: nothing need change.
shown-shade-never = By the clock it meets the oven at { $share } %, wanted { $low } to { $high } %: bulk would not be there in time. Find it a warmer place.
shown-shade-longer = By the clock it meets the oven at { $share } %, wanted { $low } to { $high } %. Let bulk go to { DAYCLOCK($goes) } instead of { DAYCLOCK($instead) }.

shown-why-warmth = Temperature
shown-why-leaven = Leaven
shown-why-salt = Salt
shown-why-flour = Flour
shown-why-rich = Sugar, fat, malt
shown-why-colder = Bulk at { WARMTH($mean) } on the whole: colder is slower, by about a tenth for each degree.
shown-why-warmer = Bulk at { WARMTH($mean) } on the whole: warmer is faster, by about a tenth for each degree.
shown-why-levain-part = Levain with { $percent } % of the flour; 9 % is plain.
shown-why-yeast-part = { $percent } % yeast as instant, what a preferment brings along counted.
shown-why-no-leaven = No leaven.
shown-why-salted = { $percent } % salt; 2 % is usual.
shown-why-grain = { $whole } % whole grain and { $rye } % rye: both feed the yeast, and both hold less gas.
shown-why-richness = Sugar and fat beyond a little slow it; malt hurries it.
