bakes-title = Log
bakes-earlier = Earlier bakes
bakes-none = No bake yet.
bakes-noneMore = Start a plan on the bench: what you press there becomes the record by itself.
bakes-seeRecord = See its record
bakes-back = The log

## bakes-states: by code

bakes-states-on_bench = on the bench
bakes-states-baked = baked
bakes-states-stopped = taken off the bench

##

bakes-line = { $pieces ->
        [one] one piece
       *[other] { $pieces } pieces
    }
bakes-out = out { $when }
bakes-began = begun { $when }
bakes-notes = { $count ->
        [one] one note
       *[other] { $count } notes
    }
bakes-photos = { $count ->
        [one] one photo
       *[other] { $count } photos
    }
bakes-proof = proof { $how }
bakes-proofSaid = Proof: { $how }
bakes-steps = What was done
bakes-planned = planned { $at }
bakes-leftOut = left out
bakes-asPlanned = as planned
bakes-later = { $span } later
bakes-sooner = { $span } sooner
bakes-read = What was read
bakes-verdicts = What was judged
bakes-changes = Changes of course
bakes-words = Notes
bakes-pictures = Photos
bakes-outcome = How it came out
bakes-unreadable = Kept, but not readable
bakes-unreadableMore = { $count ->
        [one] One entry of this bake cannot be read. It is kept as it is and counts for nothing.
       *[other] { $count } entries of this bake cannot be read. They are kept as they are and count for nothing.
    }
bakes-nothing = Nothing was written down.
bakes-addNoteHint = What you want to remember of it
bakes-keep = Write it down
bakes-proofWas = Cut and tasted: how was the proof?

## bakes-kinds: by code

bakes-kinds-rise_eye = rise, by eye
bakes-kinds-rise_box = rise, in the box
bakes-kinds-rise_jar = rise, in the jar
bakes-kinds-ready = ready
bakes-kinds-dough_c = dough
bakes-kinds-core_c = core
bakes-kinds-oven_c = oven

## bakes-stageNames: by code

bakes-stageNames-gluten = Gluten
bakes-stageNames-culture = Levain
bakes-stageNames-preferment = Preferment
bakes-stageNames-bulk = Bulk
bakes-stageNames-final_proof = Proof
bakes-stageNames-baked = In the oven
