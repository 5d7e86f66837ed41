plan-title = Plan
plan-tryBoth = Try one thing both ways
plan-thePlan = This plan
plan-undo = As it was before
plan-formula = Formula
plan-change = Change
plan-done = Done
plan-noFormulas = No formula is left. Bring one back in Formulas.
plan-lines-formula = What
plan-lines-pieces = How many
plan-lines-ready = Wanted
plan-lines-kitchen = Kitchen
plan-lines-dough = Dough
plan-lines-style = The way
plan-lines-vessel = Baked in
plan-lines-sleep = Asleep
plan-out = Out of the oven
plan-cut = Ready to cut
plan-fields-pieces = Pieces
plan-fields-weight = Dough in each
plan-fields-later = Of these, kept for another day
plan-fields-laterDays = Baked
plan-fields-day = Day
plan-fields-time = Time
plan-fields-means = What is meant
plan-fields-roomDay = By day
plan-fields-roomNight = By night
plan-fields-tap = Tap water
plan-fields-dough = From the bowl
plan-fields-culture = Culture
plan-fields-style = The way it is made
plan-fields-days = How long in the fridge
plan-fields-levain = Levain, of the flour
plan-fields-school = How far bulk goes
plan-fields-folds = Sets of folds
plan-fields-fridge = Fridge shelf
plan-fields-vessel = Vessel
plan-fields-bed = To bed
plan-fields-up = Up
plan-says-pieces = { $count ->
        [one] one piece
       *[other] { $count } pieces
    } of { $mass }
plan-says-kept = { $count ->
        [one] one piece
       *[other] { $count } pieces
    } of { $mass }, { $later } kept for later
plan-says-partOut = { $pieces ->
        [one] one piece
       *[other] { $pieces } pieces
    }, out { $when }
plan-says-out = out { $when }
plan-says-kitchen = { $day }, { $night } at night, tap { $tap }
plan-says-stands = { $day }, { $night } at night; dough stands at { $warm }
plan-says-dough = { $warm } from the bowl
plan-says-leavened = { $warm } from the bowl, { $culture }
plan-says-sleep = { $from } to { $to }
plan-says-totals = { $water } water, { $salt } salt
plan-says-counted = , preferment counted
plan-says-mixed = As mixed { $water } and { $salt }.
plan-says-feel = A { $word } dough. { $handling }
plan-says-atOven = { $low }–{ $high }, likely { $likely } of its greatest volume; wanted { $from } to { $to }.
plan-says-part = { $title }: { $from } to { $to }
plan-says-saved = { $count } for { $when }
plan-culture-lively = lively, fed today
plan-culture-hungry = hungry, fed first
plan-cultureWord = culture
plan-shared = One build for this and { $others }: at { $at }, { $seed } culture, { $flour } flour, { $water } water.
plan-cultureLong-lively = Another, lively
plan-cultureLong-hungry = Another, hungry
plan-ownCulture = As it lives now: its feeds, its readings, how hungry it is.
plan-withPinch = With { $percent } % of instant yeast beside it.
plan-noPinch = Without
plan-laterDays-0 = The next day
plan-laterDays-1 = Two days on
plan-laterDays-2 = Three days on
plan-nights-0 = As usual
plan-nights-1 = A day longer
plan-nights-2 = Two days longer
plan-nights-3 = Three days longer
plan-schools-by_dough = As the dough asks
plan-schools-early_cold = 25 to 40 %
plan-schools-classic = 50 to 75 %
plan-schools-doubled = Doubled
plan-schools-wet_far = Further

## plan-schoolWhy: by code

plan-schoolWhy-by_dough = Stopped where the whole way to the oven comes out right.
plan-schoolWhy-early_cold = Stop early and lean on a long, cold proof: firm dough, easy to shape.
plan-schoolWhy-classic = Open crumb, with strength left to shape.
plan-schoolWhy-doubled = As yeasted dough is judged: fine, even crumb.
plan-schoolWhy-wet_far = For big wet doughs with a poolish: tipped out, not shaped.

##

plan-ownWay = Your own way
plan-otherWay = Another way
plan-inFridge = { $style }, { $warm }
plan-today = Today
plan-tomorrow = Tomorrow
plan-save = Save this plan
plan-standsAt = Levain and dough stand at { $warm }, not in the kitchen.
plan-standsHere = Stand them in the kitchen
plan-otherYeast = With { $percent } % yeast in place of the formula’s.
plan-usualYeast = Take the formula’s
plan-saved = Saved
plan-saving = Saving
plan-saveAgain = Save the changes
plan-fresh = Begin another plan
plan-savedPlans = Saved plans
plan-deletePlan = Put away
plan-putAway = is put away.
plan-formulaGone = This formula was put away. The plan keeps its own copy.
plan-trouble = This cannot be met
plan-mends = One change would do:
plan-noMend = No single change mends it: choose another day, or another formula.
plan-looking = Looking for a way

## plan-underWay: by code

plan-underWay-over_proofed = Bake it sooner than planned; next time less yeast. If the oven is not hot, chill it.
plan-underWay-under_proofed = Give it longer in the room before the fridge, or bake it later.
plan-underWay-asleep = Chill the dough before you go to bed, and shape it in the morning.
plan-underWay-proof_too_short = Divide it now, and bake it as soon as the oven is hot.
plan-underWay-never_ready = Put it somewhere warmer.
plan-underWay-never_warms = Leave it longer, or put it somewhere warmer.
plan-underWay-no_rise = Put it somewhere warmer.
plan-underWay-fridge_full = Make room, or bake some of it sooner.

##

plan-steps = Step by step
plan-nextDay = next day
plan-likely = likely
plan-mind = Mind
plan-weigh = Weigh
plan-calendar = Its steps as a calendar
plan-openStages = Change its stages
plan-closeStages = Close the stages
plan-stagesForThis = These stages are for this bake.
plan-asMethod = As the method says
plan-keepInFormula = Keep them in the formula
plan-waysOfPieces = The ways that the pieces go
plan-weighedFirst = To weigh, by the clock
plan-water = Water
plan-jugs-tap = tap
plan-jugs-hotTap = hot tap
plan-jugs-kettle = kettle
plan-atTheBowl = Work it out at the bowl
plan-version = Made with version
plan-newest = Plan the newest, version
plan-feelEnds = By feel: keep
plan-feelEnd = of the water, and work in what the dough asks for;
plan-jugs-ice = ice
plan-together = together
plan-others = What other plans and doughs take of hands and oven meanwhile
plan-ribbon = The dough from levain to oven
plan-height = height: volume over its own start
plan-asleep = asleep
plan-folds = folds
plan-stop = stop at
plan-load = load at
plan-core = core
plan-oven = Oven
plan-minutes = min
plan-proofAt = At the oven

## plan-pins: by code

plan-pins-feed = Feed
plan-pins-levain = Build
plan-pins-preferment = Mix
plan-pins-mix = Mix
plan-pins-divide = Divide
plan-pins-shape = Shape
plan-pins-chill = Chill
plan-pins-out_of_fridge = Out of cold
plan-pins-load = Load
plan-pins-out = Out
plan-toMind = To mind this time
plan-mindOff = Take it off
