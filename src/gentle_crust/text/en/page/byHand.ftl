byHand-title = Change what comes next
byHand-lead = { $name }. What follows is reckoned anew from what you do.
byHand-nothing = Nothing can be changed any more: it is in the oven, or done.
byHand-ofPart = Of { $part }: { $what }

## byHand-codes: by code

byHand-codes-end = This stage is over
byHand-codes-fridge = Into the fridge now
byHand-codes-take_out = Out of the fridge now
byHand-codes-stage = One stage more
byHand-codes-split = Keep some pieces for later
byHand-codes-vessel = Bake it in something else
byHand-codes-weighed = What the dough weighs

## byHand-hints: by code

byHand-hints-end = { $stage } has come to its end: what comes after it is due now.
byHand-hints-fridge = It goes on from there, cold and slow, until you take it out.
byHand-hints-take_out = It stands in the room from now on.
byHand-hints-stage = It comes on top of what was planned.
byHand-hints-split = They go their own way in the fridge, and are baked when you want them.
byHand-hints-vessel = The bake is made anew for it.
byHand-hints-weighed = Each piece is told its share, and the bake follows.

##

byHand-day = Day
byHand-outAt = Take it out at
byHand-readyAt = Out of the oven at
byHand-pieces = Pieces for later
byHand-which = Which stage
byHand-minutes = Length
byHand-vessel = In what
byHand-weight = The whole dough
byHand-do = Do it
byHand-reckoning = Reckoning what follows

## byHand-told: by code

byHand-told-end = { $stage }: judged to be over
byHand-told-fridge = Into the fridge
byHand-told-take_out = Out of the fridge
byHand-told-stage = One stage more: { $kind }
byHand-told-split = { $pieces ->
        [one] One piece kept for later
       *[other] { $pieces } pieces kept for later
    }
byHand-told-vessel = Another vessel
byHand-told-weighed = The dough weighs { $mass }
