log-lead = Every bake, as it was done and as it came out.
log-find = Find in names and notes
log-tab-bakes = Bakes
log-tab-time = Over time
log-tab-trials = Trials
log-tab-learnt = Learnt
log-tab-practice = Reading dough
log-enter = Enter a bake
log-anyFormula = Any formula
log-anyCulture = Any culture
log-anySeason = Any season
log-anyLiking = Liked or not
log-anyFault = Any fault
log-formula = Formula
log-culture = Culture
log-season = Season
log-liking = Liking
log-fault = Fault
log-likedOrMore = { $of } of 5 or more
log-choose = Set beside others: { $name }, { $when }
log-chosen = { $count ->
        [one] One bake chosen. Choose another to set beside it.
       *[other] { $count } bakes chosen.
    }
log-tooMany = Six are compared at the most.
log-compare = Set side by side
log-clear = Choose none
log-none = Nothing is like that.
log-noneMore = Choose less, or other words.
log-all = Show all
log-guessed = entered afterwards
log-fold = Out, in and taken out
log-out = Write the log out
log-outHint = A packed folder: JSON with its schema, tables for a spreadsheet, photos.
log-in = Bring a log in
log-inHint = What is here already stays as it is.
log-reading = Bringing it in …
log-brought = { $bakes ->
        [0] No new bakes
        [one] One bake
       *[other] { $bakes } bakes
    }{ $photos ->
        [0] {""}
        [one] , one photo
       *[other] , { $photos } photos
    }{ $trials ->
        [0] {""}
        [one] , one trial
       *[other] , { $trials } trials
    } brought in{ $known ->
        [0] {""}
       *[other] ; { $known } were here already
    }.
log-takenOut = Taken out of the log
log-takenOutLead = They can be had back for { $days } days after they were taken out.
log-takenOutOn = taken out { $day }
log-bringBack = Bring back

## log-seasons: by code

log-seasons-dec_feb = December to February
log-seasons-mar_may = March to May
log-seasons-jun_aug = June to August
log-seasons-sep_nov = September to November

##

log-says-removed = Taken out of the log; it can be had back for 30 days
log-remove = Take out of the log
log-removeSure = Take this bake out of the log? It can be had back for 30 days.
log-yes = Take it out
log-no = Keep it
log-again = Again like this one
log-history = History of its formula
log-print = Print
log-write = Write it out
log-addPhoto = Add a photo
log-photoOf = Of which part
log-whole = all of it
log-guess = reckoned
log-entered = Entered afterwards: what nobody saw is reckoned, and marked.
log-trials = Trials
log-beside = Set its parts side by side
log-faults = It shows: { $faults }
log-enterTitle = Enter a bake that is over
log-enterLead = What, when mixed, when out of the oven. The rest is reckoned and can be put right later.
log-mixedDay = Mixed on
log-mixedAt = Mixing began at
log-outDay = Out of the oven on
log-outAt = Out at
log-how = Way
log-asSuits = as it suits
log-vessel = Baked in
log-pieces = Pieces
log-doughC = Dough, if measured
log-ovenC = Oven set to
log-bakedMin = In the oven for
log-note = What you want to remember of it
log-keepBake = Enter it
log-compareTitle = Side by side
log-compareLead = From mixing on one clock. What differs is marked.
log-differs = What differs
log-everything = Show what is alike too
log-alike = Show only what differs
log-unknown = not known
log-loaves = The loaves
log-notJudged = Not judged.
log-photos = Photos
log-noPhotos = None of them has a photo.
log-left = Left
log-right = Right
log-edge = How far the right one is drawn over
log-size = Size of the right one
log-line = Mark a width in it
log-lineAgain = Move the mark
log-lineTitle = A width in the photo: { $of }
log-lineLead = Set the two ends on either side of the loaf, or of anything else in the photo whose length you know.
log-lineFrom = First end
log-lineTo = Second end
log-lineAt = { $across } % across, { $down } % down
log-lineMm = From end to end
log-lineKeep = Keep it
log-lineKept = Width marked
log-oneScale = Both are at one scale, by the widths that were marked.
log-scaleMissing = With a width marked in both they are shown at one scale.
log-scaleBar = 5 cm
log-makeTrial = Keep it as a trial
log-notEnough = Choose two to six bakes in the log to set side by side.
log-mixed = mixed

## log-spans: by code

log-spans-bulk = bulk
log-spans-proof = proof
log-spans-bake = bake

## log-groups: by code

log-groups-formula = Formula
log-groups-method = Way
log-groups-done = As done
log-groups-came = What came of it

##

log-spanLine = { $what } { $span }
log-spanDiffers = { $what } { $span }, differs
log-trial = Trial
log-trialTitle = A trial
log-trialLead = Parts that differ in one thing, judged and kept with the formula.
log-question = What do you want to find out?
log-sideSays = What is done with { $side }
log-blind = Judge it blind
log-blindHint = The parts go by letters until it is judged; the card tells whoever marks the pieces.
log-keepTrial = Keep the trial
log-noTrials = No trial yet.
log-noTrialsMore = Set two bakes side by side, or plan one dough in two parts: Plan, Try one thing both ways.
log-isBlind = Blind until it is judged.
log-notBaked = Not baked yet.
log-judgeLoaf = Judge this loaf
log-which = Which one is better?
log-neither = neither
log-conclusion = What do you conclude?
log-conclude = Keep the conclusion
log-better = Better: { $side }
log-noBetter = Neither was better.
log-reopen = Take the conclusion back
log-putAway = Put the trial away
log-putAwayDone = The trial is put away.
log-undo = Bring it back
log-sure = “{ $side }” is really liked better: { $percent } % sure. Of ten more such pairs it would win between { $low } and { $high }.
log-apart = What was measured
log-pooled = With all trials of this question
log-wins = { $side }: better { $count ->
        [0] never
        [one] once
       *[other] { $count } times
    }
log-draws = { $count ->
        [one] once neither
       *[other] { $count } times neither
    }
log-ofFormula = { $formula }, { $day }
log-timeLead = Each dot is a bake, the oldest at the left.
log-fewPoints = Nothing to draw yet: bakes with figures come first.

## log-figures: by code

log-figures-dough_c = Dough after mixing
log-figures-bulk_min = Bulk
log-figures-share = Share of greatest volume at the oven
log-figures-liked = Liked, of 5

##

log-rightTitle = How right has it been?
log-rightNone = Nothing to tell yet: read a rise in bulk, judge a proof, and say how it came out.
log-rightInside = { $inside } of { $read } rises that were read in bulk lay inside the band that was forecast before mixing. Eight of ten should.
log-rightLate = By the middle reading the dough came { $late ->
        [0] when it was forecast
       *[other] { $span } { $side ->
            [later] later
           *[sooner] sooner
        } than forecast
    }; half of the readings lay within { $within } of it.
log-rightJudged = { $right } of { $all } final proofs came out as they were judged.
log-verdict = { $verdict }: came out { $how }, { $count ->
        [one] once
       *[other] { $count } times
    }
log-historyLead = { $bakes ->
        [0] Not baked yet.
        [one] Baked once.
       *[other] Baked { $bakes } times.
    }
log-best = The one liked best
log-versionOf = Version { $number }
log-noVersion = Of a version that is gone
log-since = written down { $day }
log-unchanged = as it began
log-likedMean = liked { $of } of 5 on average
log-bakesOf = { $count ->
        [0] Never baked.
        [one] One bake
       *[other] { $count } bakes
    }
log-openFormula = Open the formula
log-changeLine = { $what }: { $before } → { $after }
log-newLine = { $what }: { $after }
log-goneLine = { $what }: gone
log-historyOf = What came of it
log-takes = Planned as it was then, for whatever time you choose:
log-planSo = Plan it so
log-offersNone = This plan cannot be a trial: it has one piece, or parts already.
log-planIt = Plan it as a trial
