# A loaf judged.

loaf-sheet-empty = Nothing was said of the loaf.
    .remedy = Press at least one thing.
photo-line-too-short = The line over the photo is too short to measure by.
    .remedy = Draw its ends apart, from one side of the loaf to the other.
photo-line-photo-unknown = That photo is not of this bake.
    .remedy = Open the bake again and choose one of its photos.
loaf-note-length = The note is longer than 2,000 letters.
    .remedy = Shorten it.
loaf-holes-exclude = Holes { $one } and { $other } cannot both be so.
    .remedy = Choose one of them.
loaf-holes-everywhere = everywhere
loaf-holes-under_crust = under the crust
loaf-holes-middle = in the middle
loaf-holes-tunnels = in tunnels
loaf-holes-ring = in a ring
loaf-part-unknown = This dough has no part '{ $part }'.
    .remedy = Choose one of its parts.
loaf-field-unknown = A sheet has no field '{ $name }'.
    .remedy = Leave it out.
loaf-not-baked = No loaf of this dough has come out of the oven yet.
    .remedy = Judge it once it has.

# Faults of a loaf, as bakers name them.

fault-dense_tight = dense and tight
fault-tight_wild_holes = wild holes
fault-flying_crust = holes under the crust or tunnels
fault-dense_base_line = dense line at the base
fault-gummy = gummy
fault-spread = spread flat
fault-caved_in = caved in
fault-side_burst = burst beside the cut
fault-no_ear = scores stayed closed
fault-pale_top = pale
fault-dark_early = too dark
fault-crust_hard = thick, hard crust
fault-crust_soft = leathery crust
fault-base_pale = pale base
fault-base_burnt = burnt base
fault-bland = bland
fault-too_salty = too salty
fault-undersalted = too little salt
fault-dry_crumb = dry
fault-flour_blotches = blotches of flour
fault-misshapen = mushroomed
fault-base_burst = burst base

# Bakes side by side.

compare-how-many = { $least } to { $most } bakes are compared.
    .remedy = Choose so many.
compare-twice = The same bake stands there twice.
    .remedy = Leave it out once.
compare-nothing-differs = Nothing that is written down differs: what differs in the loaves is chance, or was not written down.
compare-one-differs = One thing differs: { $what }. That is a trial.
compare-several-differ = { $count } things differ{ $more ->
        [yes] , among them
       *[no] :
    } { $what }. They are different breads; which of it made the difference cannot be told.
compare-piece = a piece
compare-dough-c = dough, measured
compare-room = kitchen by day
compare-fridge = fridge
compare-culture = culture
compare-no-culture = none of my own
compare-bulk = bulk, as done
compare-proof = proof, as done
compare-baked = in the oven, as done
compare-folds = folds done
compare-rise = rise read last
compare-share = share at the oven
compare-late = later than forecast
compare-volume = volume
compare-density = g per ml
compare-tall = height over width
compare-loss = bake loss
compare-liked = liked, of 5
compare-holes = holes in the slice
compare-mean-hole = mean hole, mm²
compare-largest-hole = largest hole, mm
compare-holes-per-cm2 = holes per cm²
compare-even-holes = evenness, 0 to 1
compare-minutes = { SPAN($minutes) }
compare-warmth = { WARMTH($warm) }
compare-mass = { MASS($g) }
compare-percent = { $percent } %
compare-ml = { $ml } ml
compare-number = { $number }
compare-vessel = baked in

# Trials.

trial-question-missing = What is to be found out is missing.
    .remedy = Write it in a few words.
trial-side-twice = The same loaf stands on both sides.
    .remedy = Choose two different ones.
trial-side-unknown = That side is not one of the trial's.
    .remedy = Choose one of its sides, or neither.
trial-blind-parts = Only parts of one bake can be judged blind.
    .remedy = Make it a trial with open names.
trial-unknown = That trial is not here.
    .remedy = Go back to the log.
trial-hidden-name = It is a blind trial: judge it first.
    .remedy = Judge it first.
trial-not-judged = Not judged yet.
trial-no-difference = { $pairs ->
        [one] One pair, and no difference was found.
       *[other] { $pairs } pairs, and no difference was found.
    }
trial-one-pair = One pair was judged: by pure luck one of the two would be the better one as well. Repeat it before you believe it.
trial-may-be-luck = { $most } of { $decided } pairs say the same: pure luck does that in one of { $of } cases. Not enough to believe it.
trial-hardly-luck = { $most } of { $decided } pairs say the same: pure luck does that in one of { $of } cases only.
trial-figure = { $what }: with “{ $side }” { $by } { $more ->
    [yes] more
   *[no] less
 } on average over { $pairs } pairs; most likely between { $low } and { $high } (80 %).
trial-figure-once = { $what }: with “{ $side }” { $by } { $more ->
    [yes] more
   *[no] less
 } in the one pair that was measured.
trial-judged-already = This trial is judged already.
    .remedy = Take its conclusion back first, or plan another one.
trial-not-baked = Not all of its sides are baked yet.
    .remedy = Judge it once they are.

# Trials that one dough can be.

trial-vessels = { $one } or { $other }
trial-in-vessel = { $vessel }
trial-steams = With steam or without
trial-steam = with steam
trial-no-steam = without steam
trial-nights = A night more in the cold
trial-room-or-cold = Baked today, or after a night in the cold
trial-first = as planned
trial-night = a night in the fridge, baked a day later
trial-night-longer = a night longer in the fridge, baked a day later
