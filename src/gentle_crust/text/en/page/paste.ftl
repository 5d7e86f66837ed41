paste-title = A written recipe
paste-lead = Paste it whole, as it stands: what goes in, in which stage, and how it is made.
paste-name = Name
paste-text = The recipe
paste-example =
    Levain
    25 g starter
    50 g wholemeal flour
    50 g water

    Dough
    3 1/2 cups bread flour
    1 1/2 cups warm water
    2 tsp salt

    Leave the levain for 5 hours. Mix everything.
    Bulk 4 hours with three folds, 30 minutes apart.
    Shape, chill overnight, bake in a hot pot.
paste-measures = How you measure
paste-cup = A cup is
paste-flour = Flour goes into the cup
paste-salt = A spoon of salt is
paste-ounces = Ounces of a liquid are
paste-ownCup = My cup of flour weighs
paste-ownSpoon = My teaspoon of salt weighs
paste-ownWhy = Weighed once, it counts for every recipe.
paste-unknown = Not known
paste-spooned = Spooned
paste-scooped = Scooped
paste-table = Table
paste-fineSea = Fine sea
paste-flaky = Flaky
paste-weight = Weight
paste-volume = Volume
paste-percents-hydration = Water
paste-percents-salt = Salt
paste-percents-yeast = Yeast
paste-unread = Not read; write it another way, or leave it out:
paste-nothing = What is read appears here.
paste-take = Make it a formula
paste-asked = To be settled
paste-goesIn = What goes in
paste-dough = Dough
paste-aside = Not in the dough
paste-whole = goes in whole
paste-made = How it is made
paste-notTold = The recipe does not say how it is made. This is the usual way for such a dough; it can be changed in the formula.
paste-putRight = Put it right
paste-stage = Goes into
paste-weighs = Weighs
paste-leaveOut = Leave it out
paste-asRead = As it was read
paste-leftOut = Left out by you:
paste-happens = What happens here
paste-says = It says { $said }; in your kitchen about { $here }.
paste-notUnderstood = not understood: { $words }
paste-folds =
    { $count ->
        [one] 1 set of folds
       *[other] { $count } sets of folds
    }
paste-cold = in the fridge
paste-covered = covered
paste-fan = fan
paste-turned = turned once
## paste-kinds: by code

paste-kinds-autolyse = Flour and water rest
paste-kinds-rest = The dough rests
paste-kinds-bulk = Bulk
paste-kinds-warm_up = Warms up
paste-kinds-bench_rest = Rests on the bench
paste-kinds-proof = Proof
paste-kinds-keep = Kept cold
paste-kinds-cool = Cools
paste-kinds-none = Nothing happens here
