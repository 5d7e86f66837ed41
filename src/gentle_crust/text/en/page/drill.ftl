drill-title = Reading dough
drill-lead = A dough of your own formulas at a moment that you do not know. Look, judge, and see how it was. No flour is used.
drill-of = Dough of
drill-stage = Stage
drill-stages-bulk = Bulk
drill-stages-final_proof = Final proof
drill-containers-bowl = In a flared bowl: its width deceives
drill-containers-box = In a straight box
drill-containers-basket = In its basket
drill-containers-tin = In its tin
drill-dashed = The dashed line is where it stood without gas.
drill-shows = What it shows
drill-where = Where does it stand?
drill-rise = How far has it risen?
drill-rises = +{ $percent } %
drill-sure = How sure are you?
drill-sures-sure = sure
drill-sures-fairly = fairly
drill-sures-guess = a guess
drill-judge = Judge it
drill-another = Another dough
drill-right = Right: it was { $state }.
drill-wrong = It was { $state }.
drill-was = It had risen to +{ $rise } %; ready is from +{ $from } to +{ $to } %.
drill-wasShare = It stood at { $share } % of its greatest volume.
drill-eyeHigh = You read its rise { $by } points too high.
drill-eyeLow = You read its rise { $by } points too low.
drill-eyeRight = You read its rise right.
drill-given = You gave that { $percent } %: { $bits } bits. Guessing has 0, sure and right 2; sure and wrong is below 0.
drill-spoke = What spoke for it
drill-against = What spoke against it
drill-nothing = Nothing it showed told much.
drill-score = { $doughs ->
        [one] One dough read
       *[other] { $doughs } doughs read
    }: { $right } right, { $near } off by one, { $bits } bits on average.
drill-early = You take doughs for riper than they are: you would load too early.
drill-late = You take doughs for less ripe than they are: you would load too late.
drill-eyeBias = In a flared bowl you read a rise { $by } points { $way ->
        [high] too high
       *[low] too low
    }.
drill-offered = Forecasts mind this if you wish:
drill-toLearnt = what your kitchen has taught
drill-sides = Under, ready and over side by side

drill-at = +{ $rise } %
drill-picture = { $what }, from the side

## drill-states: by code

drill-states-early = under
drill-states-nearly = nearly
drill-states-ready = ready
drill-states-late = late
drill-states-over = over

## drill-founds: by code

drill-founds-early = early
drill-founds-nearly = nearly ready
drill-founds-ready = ready
drill-founds-late = a little late
drill-founds-over = over
