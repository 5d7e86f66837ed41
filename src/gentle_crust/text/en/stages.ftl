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
stage-folds = { $count } { $kind }, the first after { SPAN($first) }, { SPAN($gap) } apart
stage-shelf-top = top shelf
stage-shelf-bottom = bottom shelf
stage-in-covered-bowl = in a covered bowl
stage-in-box = in a box
stage-in-banneton = in a basket
stage-in-couche = in a cloth
stage-in-tin = in a tin
stage-in-tray = on a tray
stage-in-vessel = in what it is baked in
stage-in-bag = in a bag
stage-in-insulated = in something insulated
stage-how-glaze = glazed
stage-how-seeds = with seeds
stage-how-oats = with oats
stage-how-flour = with flour
stage-how-oil = with oil
stage-how-topping = with a topping
stage-preheat = heated for { $minutes } min
stage-heated-all = heated first
stage-heated-lid = only its lid heated
stage-heated-hob = its base warmed on the hob
stage-heated-none = from a cold oven
stage-heated-oven-only = cold into the hot oven
stage-steam = { $what }
stage-heat = { SPAN($minutes) } at { WARMTH($warm) }
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
