# What is refused: oven.

oven-fired-not-wood = Only a wood-fired oven is fired.
    .remedy = Leave fired out, or give the kind wood.
oven-stages-count = A bake has 1 to 12 stages, not { $count }.
    .remedy = Give minutes and set points.
oven-wood-heat-missing = A wood-fired oven bakes with what it was fired to.
    .remedy = Give its heat at loading.
oven-no-room = A piece of { MASS($grams) } has no room in this vessel and oven.
    .remedy = Divide it, or take a larger vessel.
oven-too-much-steam = More than six sources of steam.
    .remedy = Give six at most.
oven-heat-up-unreadable = That is no heat-up.
    .remedy = Read the thermometer from cold, every few minutes, to 200 C or more.
oven-kind-unknown = '{ $kind }' is not { $what } I know.
    .remedy = Choose one of { $names }.

remedy-stays-pale = If it stays pale: upper shelf, or for the last minutes the fan on or { DIFFERENCE(10) } hotter.
remedy-dark-before-done = If it is dark before the core is done: foil over it, { DIFFERENCE(20) } cooler, and give it its time.
remedy-stays-moist = If it stays moist: out of its tin or off its tray, door ajar, 5 min more.
cut-early-rye = Rye cut the same day smears: its crumb is still setting.
cut-early = Cut hot, the crumb tears and stays gummy, and the loaf goes stale sooner.
done-not = Not done in this time: { $sign } does not get there. { $remedy }
done-after = Done after { $minute } min; { $sign } comes last.
done-too-soon = These stages end { $minutes } min too soon.
done-behind = It is { $minutes } min behind the others. { $remedy }
sign-too-dark = Foil over it, oven { DIFFERENCE(20) } cooler.
sign-core-low = Back in as it was.
sign-pale = Fan on or { DIFFERENCE(10) } hotter, upper shelf.
sign-pale-base = Back in without its tin or pot, on the bare rack or stone.
sign-moist = Oven off, door ajar: it dries without browning.

hazard-too-hot = The oven reaches { WARMTH($top) }, this bake asks for { WARMTH($asked) }.
    .remedy = Lower the set point.
hazard-rating = The { $name } at { WARMTH($hottest) }: { $given } { WARMTH($rated) }.
    .remedy = Lower the set point or take another.
hazard-knob = The lid's knob bears { WARMTH($bears) }, this bake has { WARMTH($hottest) }.
    .remedy = Fit a metal one, or lower the set point.
hazard-hob = Only bare iron is warmed empty on the hob: enamel, clay and thin metal craze, crack or warp there.
hazard-empty-preheat = Heating the { $name } empty can craze or crack it.
    .remedy = Start it cold, unless its maker allows it.
hazard-paper = No paper in this bake: it bears { WARMTH($bears) }, this is { WARMTH($hottest) }.
    .remedy = Use meal or bran.
hazard-ice-cracks = Ice on hot { $material } can crack it.
    .remedy = Leave the ice out.
hazard-ice-useless = Ice makes a mess and no visible difference; it cools the base. Not recommended.
hazard-no-own-steam = This oven has no steam of its own; it was reckoned as if it had.
hazard-towels-and-fan = Towels and a fan: nothing loose may be drawn to the element.
    .remedy = Weigh them down, or fan off.
hazard-towels-dry = The towels are dry after about { $minutes } min: never dry.
    .remedy = More water, or out sooner.
hazard-gas-floor = A pan on a gas oven's floor blocks its vents: put it on a rack, and leave the floor free.
hazard-steam-under-lid = Under a lid the loaf makes all the steam it needs: extra steam makes no visible difference.

point-little-to-do = little to do
point-nothing-to-clean = nothing to clean
point-nothing-hurts = nothing that scalds or cracks
point-soft-throughout = its skin stays soft throughout
point-shines = sets in { $percent } % of steam in the first { $minutes } min, and shines
point-dull = sets in { $percent } % of steam in the first { $minutes } min, and stays dull
point-soft-for = its skin stays soft for { $minutes } min
point-never-done = never done: { $sign } does not get there
point-crust = { $shade }, some { $mm } mm thick
point-base-paler = base paler than the top
point-base-darker = base darker than the top
point-loads = { $count ->
        [one] one load
       *[other] { $count } loads
    }, { $minutes } min in all

school-preheat = Preheat the pot?
school-preheat-whole = The whole pot
school-preheat-lid = The lid only
school-preheat-lid-why = The dough proofs in the pot and goes in with it.
school-preheat-hob = Its base on the hob
school-preheat-hob-why = Spring like that of a hot pot, and less of the oven's heat.
school-preheat-none = Nothing: a cold start
school-uncover = When to uncover?
school-uncover-sooner = Sooner, after { $minutes } min
school-uncover-later = Later, after { $minutes } min
school-ice = Ice in the pot?
school-ice-handful = A handful of ice
school-ice-useless = Not recommended: no visible difference, and a mess.
school-off = Oven off at the start?
school-off-on = The oven on throughout
school-off-first = Off for the first 15 min
school-off-useless = Not recommended: hardly any difference.
school-spray = Spray the walls?
school-spray-six = Six sprays as well
school-spray-never = Never on glass or lamps: mist the loaf outside.
school-heat = How hot?
school-heat-even = { WARMTH($even) } throughout
school-heat-falling = { WARMTH($hot) }, then { WARMTH($even) }
change-not-done = Not done within an hour more.
change-springs-alike = Springs the same within what can be seen.
change-shade = When done it is { $shade }.

load-stays-cold = Stays in the fridge { $minutes } min longer: as much proof as { $in_cold } min in the room.
load-waits = Waits { $minutes } min: in the fridge as much proof as { $in_cold } min in the room. Chill it as the first goes in; left in the room it would go { $minutes } min further.

misfit-too-much = A piece of { MASS($piece) } is more than the { $name } holds ({ MASS($holds) }).
    .remedy = Choose another vessel, or another shape or weight.
misfit-no-room = A { $shape } has no room under the lid of the { $name }.
    .remedy = Choose another vessel, or another shape or weight.
misfit-needs-a-tin = A tin loaf needs a tin to hold it up.
    .remedy = Choose another vessel, or another shape or weight.
misfit-not-in-a-tin = A { $shape } is not baked in a tin.
    .remedy = Choose another vessel, or another shape or weight.

learnt-heat-up = Empty to { WARMTH(225) } in { $minutes } min: as a heater of { $watts } W.
oven-nothing-measured = Nothing was measured of the loaf.
    .remedy = Give its core, its colour or its weight.
oven-fired-not-learnt = A fired oven is another one at each firing: it is measured, not learnt.
    .remedy = Measure floor and dome as it is loaded.
oven-bake-not-timed = That time in the oven is not known, or far from the bake that it is held against.
    .remedy = Say when it went in and when it came out.
oven-lesson-gone = That bake has taught nothing that could be put aside.
    .remedy = Open the list again.
oven-learnt-nothing = No bake has taught it anything yet: it is taken as it is described.
oven-learnt-true = { $bakes ->
        [one] One bake says
       *[other] { $bakes } bakes say
    } that it keeps to its dial, within { DIFFERENCE($low) } and { DIFFERENCE($high) }.
oven-learnt-hotter = { $bakes ->
        [one] One bake says
       *[other] { $bakes } bakes say
    } that it runs { DIFFERENCE($k) } hotter than it is described, between { DIFFERENCE($low) } and { DIFFERENCE($high) }.
oven-learnt-cooler = { $bakes ->
        [one] One bake says
       *[other] { $bakes } bakes say
    } that it runs { DIFFERENCE($k) } cooler than it is described, between { DIFFERENCE($low) } and { DIFFERENCE($high) }.
oven-learnt-quicker = Loaves take up its heat { $percent } % faster than is usual.
oven-learnt-slower = Loaves take up its heat { $percent } % more slowly than is usual.
touch-grill = Grill on
touch-grill-off = Grill off
hazard-grill-covered = A grill does nothing under a lid, and dries what is being steamed. Turn it on later.
floor-flour-black = Flour blackens as it falls: too hot for anything but flat rounds.
floor-flour-quick = Flour is brown within five seconds: for sticks and small breads.
floor-flour-brown = Flour is brown in ten to fifteen seconds: for loaves.
floor-flour-slow = Flour takes half a minute to colour: for tins and sweet breads.
load-stands = { $count } at once{ $shelves ->
        [one] {""}
       *[other] , on { $shelves } shelves
    }{ $room ->
        [0] .
       *[other] ; { $most } would fit.
    }
load-too-long = They come out { $cm } cm long, and there are { $room }: shape them shorter or smaller.
load-apart = About { $cm } cm lie between them.
load-close = Only about { $cm } cm lie between them; they want { $wants }.
load-of-loads = { $loads } loads.
load-swapped = Change them over after { $minute } min.
load-turned = Turn them after { $minute } min: the side by the embers is hotter.
learnt-dial-true = It keeps to its dial.

dial-off = oven off

steam-stones-pour = { MASS($g) } of boiling water onto the stones, from the side, then the door shut at once.
steam-stones-in-title = Stones in
steam-stones-in = Dry stones in their pan onto the floor rack, to heat.
steam-pour-title = Pour
steam-stones-out-title = Stones out
steam-stones-out = Pan and stones out, level; what is wet is scalding.
steam-pan-pour = { MASS($g) } of boiling water into the hot pan, from the side, then the door shut at once.
steam-pan-in-title = Pan in
steam-pan-in = An empty iron pan onto the floor rack, to heat.
steam-pan-out-title = Pan out
steam-pan-out = The pan out, held level; what is left in it is scalding.
steam-towels-in-title = Towels in
steam-towels-in = Soaked cotton towels in a metal tray with { MASS($g) } of hot water, onto the floor rack.
steam-towels-out-title = Towels out
steam-towels-out = Towels and their tray out, held level.
steam-water-in-title = Pan of water in
steam-water-in = A pan with { MASS($g) } of hot water, lowest rack.
steam-water-out-title = Pan of water out
steam-water-out = The pan out, held level: the water is scalding.
steam-mist-title = Mist
steam-mist = Mist the loaf, outside the oven.
steam-spray = Not recommended: six sprays at the walls, never at lamp or glass.
steam-spray-title = Spray
steam-ice = Not recommended: { MASS($g) } of ice beside the loaf.
steam-ice-title = Ice
steam-on-title = Steam on
steam-on = Steam on.
sign-core = the core
sign-colour = the colour
sign-loss = drying
shade-pale = pale
shade-light = light
shade-golden = golden
shade-deep = deep
shade-dark = dark
shade-very-dark = very dark
hazard-makers-limit = its maker's limit is
hazard-kinds-limit = its kind commonly bears
point-even = even
point-wants-turning = { $evenness }; wants turning
change-later = Done { $minutes } min later.
change-sooner = Done { $minutes } min sooner.
change-more-heating = { $minutes } min more heating.
change-less-heating = { $minutes } min less heating.
change-springs-more = Springs more (+{ $percent } %).
change-springs-less = Springs less (-{ $percent } %).
learnt-dial-hotter = { DIFFERENCE($k) } hotter than its dial says.
learnt-dial-cooler = { DIFFERENCE($k) } cooler than its dial says.
learnt-hotter-left = Hotter at the left: turn the loaf half-way.
learnt-hotter-right = Hotter at the right: turn the loaf half-way.
learnt-hotter-back = Hotter at the back: turn the loaf half-way.
learnt-hotter-front = Hotter at the front: turn the loaf half-way.
turn-hotter-left = Hotter at the left: turn it round.
turn-hotter-right = Hotter at the right: turn it round.
turn-hotter-back = Hotter at the back: turn it round.
turn-hotter-front = Hotter at the front: turn it round.
dial-without-a-fan = { WARMTH($other) } without a fan
dial-with-a-fan = { WARMTH($other) } with a fan
dial-with-a-mark = { $said }, gas mark { $mark }
what-vessels = a vessel
what-ovens = an oven
what-steam = a way to steam
what-shapes = a shape
touch-preheat-title = Preheat
touch-preheat = Oven to { WARMTH($hot) }. Nothing may be proofing in it.
touch-preheat-whole = Oven to { WARMTH($hot) }, { $vessel } inside. Nothing may be proofing in it.
touch-hob-title = Warm the pot on the hob
touch-hob = The { $vessel }, without its lid, on a low flame for { $minutes } min, until a drop of water dances on it.
touch-swap-title = Change places
touch-preheat-lid = Oven to { WARMTH($hot) }, the lid of the { $vessel } inside, its base left out. Nothing may be proofing in it.
touch-score-and-load = Score and load
touch-load-title = Load
touch-load-lid-on = Lid on, { $minutes } min.
touch-load-steam-in = Steam in, { $minutes } min.
touch-load-door-shut = Door shut, { $minutes } min.
touch-set = { WARMTH($hot) }
touch-oven-off = Oven off
touch-lid-off = Lid off
touch-steam-out = Steam out
touch-then = { $change }, { $minutes } min more.
touch-for = { $minutes } min.
turn-title = Turn
turn-round = Back to front, top to bottom.
touch-check-title = First look
touch-check = Then every 2 min: colour, core, knock.
touch-out-title = Out
touch-out = Core { WARMTH($core) }, a hollow knock, the colour you want.
slide-off-board = Slide it off a board, dusted with meal.
slide-off-peel = Slide it off a peel, dusted with meal.
slide-off-tray = Slide it off an upturned tray, dusted with meal.
lower-in = Lower it in with the sling.
tip-in = Tip it in from the side, hands clear.
score-lame = Score with the lame.
score-scissors = Snip with scissors.
score-knife = Score with a thin sharp knife.
