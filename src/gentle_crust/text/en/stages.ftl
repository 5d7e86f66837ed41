# What a method says of a stage: what ends it, its folds, and how two versions of it differ.

stage-until-ready = until it is ready
stage-until-ripe = until it is ripe
stage-until-judged = until I judge it ready
stage-until-rise = to a rise of { $percent } %
stage-until-share = to { $percent } % of its greatest volume
stage-until-minutes = { SPAN($low) }
stage-until-span = { SPAN($low) } to { SPAN($high) }
stage-until-dough-c = until the dough has { WARMTH($warm) }
stage-until-at = until { $at }
stage-folds = { $count ->
        [one] one fold
       *[other] { $count } folds
    }, the first after { SPAN($first) }
stage-as-it-suits = as it suits
stage-named = { $kind }
stage-cold = { $kind } in the cold
stage-method = Method
stage-unreadable = cannot be read
stage-line = Method, { $stage }{ $number ->
        [1] {""}
       *[other] {" "}{ $number }
    }
stage-line-of-part = Method, { $part }: { $stage }{ $number ->
        [1] {""}
       *[other] {" "}{ $number }
    }
