## judge-titles: by code

judge-titles-gluten = Is the gluten there?
judge-titles-culture = Is the levain ripe?
judge-titles-preferment = Is the preferment ripe?
judge-titles-bulk = Is bulk done?
judge-titles-final_proof = Is it proofed?
judge-titles-baked = Is it baked?

##

judge-lead = Press what you see. Leave out what you cannot tell.

## judge-cues: by code

judge-cues-windowpane = A membrane
judge-cues-poke = The dent
judge-cues-feel = In the hand
judge-cues-surface = Its top
judge-cues-float = A spoonful in water
judge-cues-smell = Smell
judge-cues-liquid = Liquid on top
judge-cues-bubbles = Bubbles
judge-cues-edge = Its edge
judge-cues-jiggle = Shaken a little
judge-cues-cracks = Floured surface
judge-cues-knock = Knock on the base
judge-cues-crust = Crust
judge-cues-base = Base
judge-cues-crackle = Out of the oven
judge-cues-rise_percent = Risen by
judge-cues-core_c = Core
judge-cues-loss_percent = Weight lost
judge-cues-height_ratio = Times its height at first

## judge-values: by code

judge-values-tears = tears
judge-values-thick = thick
judge-values-thin = thin
judge-values-springs_back = springs back
judge-values-slow_partial = slowly, partly
judge-values-stays = stays
judge-values-rough = rough
judge-values-smooth = smooth
judge-values-torn = torn, wet
judge-values-domed = domed
judge-values-flat = flat
judge-values-sunken = sunken
judge-values-level = level
judge-values-firm = firm
judge-values-dimpled = dimples
judge-values-collapsed = collapsed
judge-values-floats = floats
judge-values-sinks = sinks
judge-values-floury = of flour
judge-values-mild = mildly sour
judge-values-fruity = fruity
judge-values-sweet = sweet
judge-values-sharp = sharp
judge-values-vinegar = vinegar
judge-values-solvent = solvent
judge-values-none = none
judge-values-some = some
judge-values-few = few
judge-values-many = many
judge-values-large = large
judge-values-wobbly = wobbles
judge-values-dense = dense
judge-values-airy = airy
judge-values-slack = slack
judge-values-fine = fine cracks
judge-values-wide = wide cracks
judge-values-dull = dull
judge-values-hollow = hollow
judge-values-pale = pale
judge-values-golden = golden
judge-values-deep = deep brown
judge-values-dark = very dark
judge-values-silent = silent
judge-values-crackles = crackles

## judge-states: by code

judge-states-early = early
judge-states-nearly = nearly
judge-states-ready = ready
judge-states-late = late
judge-states-over = over

## judge-verdicts: by code

judge-verdicts-early = Early
judge-verdicts-nearly = Nearly
judge-verdicts-ready = Ready
judge-verdicts-late = Late
judge-verdicts-over = Gone over

## judge-baked: by code

judge-baked-early = Not yet baked
judge-baked-nearly = Nearly baked
judge-baked-ready = Baked
judge-baked-late = Baked, rather dark
judge-baked-over = Too dark

## judge-loaf: by code

judge-loaf-raw_pale = Not baked through
judge-loaf-raw_dark = Dark, and not baked through
judge-loaf-done_pale = Baked, and still pale
judge-loaf-ready = Baked
judge-loaf-done_dark = Baked, and dark

##

judge-band = How likely each is
judge-why = Why
judge-forThis = speaks for it
judge-against = speaks against it
judge-next = To be surer: { $look }.
judge-sure = Nothing more need be looked at.
judge-by = by { $at }
judge-actBy = act by { $at }
judge-again = look again { $at }
judge-waitUntil = Not yet: look again { $at }
judge-keep = Write it down
judge-goOn = It is over: { $step } now
judge-conflict = The dough and its forecast disagree
