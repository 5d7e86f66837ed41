method-title = How it is made
method-suits = in the style that suits it
method-own = its own way
method-line = Stages, from the first to the last
method-begin = Begin from
method-makeOwn = Make it its own
method-letGo = Back to a style
method-asItSuits = As it suits: { $what }
method-suitsShort = As it suits
method-ends = It ends
method-place = Where
method-shelf = Shelf
method-container = In
method-minutes = Minutes of hands
method-by = By
method-with = With
method-rise = rise
method-from = from
method-to = to
method-warm = at
method-clock = at the clock
method-folds = Folds
method-foldsOf = { $count ->
        [0] no folds
        [one] one fold
       *[other] { $count } folds
    }
method-piecesOf = { $count ->
        [one] one piece
       *[other] { $count } pieces
    }
method-foldsOwn = Folds of my own
method-kind = Kind
method-count = How many
method-first = the first after
method-gap = apart
method-addFolds = Add a series of folds
method-remove = Take it out
method-earlier = Earlier
method-later = Later
method-add = Then add
method-order = Goes in, in this order
method-orderSuits = all together
method-late = Worked in later
method-lateSuits = as the formula says
method-lengthOf = End of { $stage }
method-split = From here two ways
method-join = All pieces one way again
method-partName = This way is called
method-partPieces = Pieces
method-newParts = first
method-newPart = later
method-closed = Choose a stage to change it.
method-bakeOf = How it is baked is chosen in the oven room.

## method-names: by code

method-names-soak = Soak
method-names-scald = Scald
method-names-feed = Feed
method-names-levain = Levain
method-names-preferment = Preferment
method-names-autolyse = Autolyse
method-names-mix = Mix
method-names-knead = Knead
method-names-rest = Rest
method-names-bulk = Bulk
method-names-fold = Fold
method-names-knock_back = Knock-back
method-names-warm_up = Warm-up
method-names-divide = Divide
method-names-preshape = Preshape
method-names-bench_rest = Bench rest
method-names-shape = Shape
method-names-proof = Proof
method-names-keep = Keep
method-names-finish = Finish
method-names-score = Score
method-names-bake = Bake
method-names-cool = Cool

## method-where: by code

method-where-room = The room
method-where-fridge = The fridge
method-where-proofer = A proofer
method-where-oven_off = The oven, off
method-where-outdoors = Outdoors
method-where-bath = A bath

## method-shelves: by code

method-shelves-top = Top
method-shelves-middle = Middle
method-shelves-bottom = Bottom

## method-containers: by code

method-containers-covered_bowl = A covered bowl
method-containers-box = A box
method-containers-banneton = A basket
method-containers-couche = A cloth
method-containers-tin = A tin
method-containers-tray = A tray
method-containers-vessel = What it is baked in
method-containers-bag = A bag
method-containers-insulated = Something insulated

## method-until: by code

method-until-ready = When it is ready
method-until-ripe = When it is ripe
method-until-rise = At a rise
method-until-minutes = After minutes
method-until-hours = After hours, as it suits
method-until-dough_c = When the dough is so warm
method-until-at = At a time of day
method-until-judged = When I judge it ready

## method-foldKinds: by code

method-foldKinds-stretch = Stretch and fold
method-foldKinds-bowl = In the bowl
method-foldKinds-coil = Coil
method-foldKinds-letter = Letter

## method-finishes: by code

method-finishes-glaze = Glaze
method-finishes-seeds = Seeds
method-finishes-oats = Oats
method-finishes-flour = Flour
method-finishes-oil = Oil
method-finishes-topping = Topping

##
