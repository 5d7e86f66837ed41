oven-title = Oven
oven-loaf = Loaf
oven-pieces = Pieces
oven-grams = Each weighs
oven-from = Comes from
oven-fridge = The fridge
oven-room = The room
oven-wish = Wanted
oven-wishes-usual = A good all-round loaf
oven-wishes-thin = Thin and crackling crust
oven-wishes-thick = Thick and dark crust
oven-wishes-soft = Soft crust
oven-wishes-tall = As tall as can be
oven-wishes-many = Many at once
oven-wishes-shiny = A shine
oven-wishes-little_work = Little work and mess
oven-ways = Ways to bake it
oven-hot = heated first
oven-cold = cold
oven-inAll = { $min } min in all
oven-allWays = { $count ->
        [one] The one way
       *[other] All { $count } ways
    }
oven-fewer = Only the best
oven-beside = Put beside it
oven-besideNone = nothing
oven-besideTitle = Side by side
oven-nothingFits = Nothing in this kitchen holds this loaf. Make it smaller, or add a vessel under Ovens and vessels.
oven-big = { $min } min

## oven-signs: by code

oven-signs-core = the core
oven-signs-colour = the colour
oven-signs-loss = drying

##

oven-heating = Heating
oven-minutes = min
oven-soak = Soaked through after { $min } min
oven-lidOn = Lid on
oven-lidOff = Lid off
oven-steaming = Steam
oven-vented = Vented
oven-open = Open
oven-off = Oven off
oven-fan = Fan
oven-split = One stage more
oven-back = As it was drawn up
oven-wouldBeDone = Done after { $min } min, core { $core }.
oven-loaded = load
oven-outAt = out { $min }

## oven-lines: by code

oven-lines-chamber = oven
oven-lines-vessel = vessel
oven-lines-crust = crust
oven-lines-core = core

##

oven-heatOf = Set point, { $stage }
oven-endOf = End of { $stage }
oven-drawn = The bake: { $minutes } minutes, core { $core }, { $shade }
oven-shortSoak = The vessel is { $k } K below the set point at loading. It is soaked through after { $need } min.
oven-weak = The oven stays { $k } K below what this vessel likes: longer at its best heat.
oven-endFacts = Out of the oven: core { $core }, { $shade }, crust about { $mm } mm, { $loss } % lost. Spring index { $spring }; colour, crust and spring are indices: they rank, they do not measure.
oven-steps = Minute by minute
oven-cut = Cut after { $time }
oven-know = I know these cautions
oven-loads = { $count } loads
oven-load = Load { $number }, { $pieces } pc: in { $from }, out { $to } min
oven-disagree = Where bakers disagree
oven-asDrawn = As drawn up.
oven-upperShelf = upper shelf
oven-lowerShelf = lower shelf
oven-shelfOf = shelf { $number }
oven-inMinutes = { $min } min
oven-loadDrawn = The load seen from above, the door in front. { $said }
oven-grill = Grill
oven-otherPaper = Mine bears, in this bake
oven-paperBears = The paper of this bake bears { $c }.
oven-usualPaper = Take the usual one
oven-firedTitle = The oven as it stands
oven-firedLead = Measured after raking out, the door shut. Without it the oven is taken as fired for the loaf.
oven-floorC = Floor
oven-domeC = Dome
oven-soakedMin = Raked out for
oven-afternoon = The afternoon, on a falling floor
oven-afternoonLead = Each load takes heat of its own: read the floor again before the next.
oven-floorOver = The floor over the next hours: { $from } now, { $to } after { $span }.
oven-doorAjar = , its door ajar until then
oven-turnOf = floor near { $c }

## oven-suits: by code

oven-suits-now = now, for { $span }
oven-suits-later = in { $from }, for { $span }
oven-suits-slowly = in { $from }, slower than usual: { $span }
oven-suits-no_more = too cool for it already
oven-suits-not_today = stays too hot, unless its door is left open

## oven-rest

oven-teach = Teach the oven by it
oven-taughtSo = Taught. Ways and plans count on it.
oven-bakedMin = Minutes in the oven
oven-learntTitle = What bakes have taught of this oven
oven-learntLead = Each loaf that you judge, by its colour, weight or core, is held against its bake as foretold.
oven-learntSigns-core = core { $seen }, { $foretold } foretold
oven-seenColour = Colour seen
oven-foretoldColour = Colour foretold
oven-learntSigns-loss = { $seen } % lost, { $foretold } % foretold
oven-putAside = Put aside
oven-countAgain = Count again
oven-older = Older than the twelve that count
oven-isItDone = Is it done?
oven-coreNow = Core
oven-outWeight = A loaf weighs
oven-topColour = Top
oven-baseColour = Base
oven-done = Done, as far as was looked. Onto a rack.
oven-more = { $min } min more.
oven-wanted = Wanted: core { $core }, { $loss } % lost.
oven-lost = This one lost { $loss } %.
oven-facts-heating = Heating
oven-facts-minutes = In the oven
oven-facts-spring = Spring index
oven-facts-colour = Colour
oven-facts-base = Base
oven-facts-crust = Crust
oven-facts-loss = Lost
oven-facts-core = Core
oven-facts-last = Last to come

## oven-steamNames: by code

oven-steamNames-built_in = built-in steam
oven-steamNames-hot_stones_and_water = hot stones
oven-steamNames-hot_pan = hot pan
oven-steamNames-soaked_towels = towels
oven-steamNames-water_pan = water pan
oven-steamNames-mist_loaf = mist on the loaf
oven-steamNames-mist_walls = sprayed walls
oven-steamNames-ice_in_pot = ice

##

oven-print = Print the card
oven-likeThis = Bake it like this
oven-planSo = Plan it so
oven-keepSo = Keep it with the formula
oven-keptSo = { $name } is baked so from now on.
oven-kit = Ovens and vessels
oven-kitLead = What this kitchen bakes with. An empty figure is the usual one of its kind.
oven-kind = Kind
oven-called = Called
oven-ovenCalled = Oven called
oven-another_oven = Another oven
oven-addOven = Add an oven
oven-useThis = Bake in this one
oven-tools = To load and score with

## oven-toolNames: by code

oven-toolNames-lame = Lame
oven-toolNames-scissors = Scissors
oven-toolNames-peel = Peel
oven-toolNames-board = Flipping board
oven-toolNames-couche = Couche
oven-toolNames-sling = Sling for the pot

##

oven-litres = Holds, litres
oven-heatUp = Empty to 225 °C in
oven-heater = Heater, if known
oven-offset = Hotter than its dial, K
oven-hotSide = Browns first at

## oven-sides: by code

oven-sides-none = nowhere
oven-sides-left = the left
oven-sides-right = the right
oven-sides-back = the back
oven-sides-front = the front

##

oven-shelves = Shelves
oven-details = Weight, limits, heating empty
oven-weight = Weight
oven-lidWeight = Lid
oven-inside = Inside
oven-knob = Knob bears
oven-rated = Maker’s limit
oven-heatsEmpty = Heated empty
oven-asUsual = as its kind
oven-allowed = maker allows it
oven-forbidden = maker forbids it
oven-steamMeans = Ways to steam that there are
oven-paper = Baking paper bears
oven-paperLead = Commonly 215 to 230 °C; see its box. Empty: no paper is used.
oven-saveKit = Save ovens and vessels
oven-leave = Leave it
oven-learn = Learn the oven with a thermometer
oven-learnHeat = Empty and cold, dial at 240 °C: read a thermometer in the middle every four minutes.
oven-learnDial = Let it settle for half an hour, then read the thermometer against the dial.
oven-learnSides = A tray of plain white slices at 200 °C until the first browns. Where was that?
oven-atMinute = After
oven-reads = Reads
oven-dialAt = Dial at
oven-another = Another reading
oven-learnNow = Reckon from these
oven-nothingLearnt = Nothing was measured yet.
oven-steamAt = min from loading
oven-mine = My bakes
oven-mineNew = Keep this bake by name
oven-mineName = Its name
oven-mineKeep = Keep it
oven-mineKept = Kept: { $name }
oven-mineDropped = Put away: { $name }. Kitchen has it still, under its earlier state.
oven-mineGone = Its vessel is not in the kitchen any more.

## oven-serves: by code

oven-serves-best = serves it best
oven-serves-well = serves it well
oven-serves-less = serves it less

##
oven-whatIsHot = Hot when it is loaded
oven-coldRig = nothing: cold into the hot oven
## oven-hotIs: by code

oven-hotIs-whole = all of it
oven-hotIs-lid = only the lid
oven-hotIs-hob = base, on the hob
oven-hotIs-none = nothing: cold start
