water-title = Water
water-wanted = Dough from the bowl
water-advice = How warm, by how fast
water-paces-slow = Slow
water-paces-usual = Usual
water-paces-quick = Quick
water-bulkAbout = Bulk about { $span }.
water-bulkOverADay = Bulk over a day.
water-mixingFor = For
water-speed = Speed
water-speeds-slow = slow
water-speeds-usual = usual
water-speeds-fast = fast
water-mixedWarms = With the kitchen’s own warmth the dough gains { $k } while it is mixed.
water-mixedCools = The kitchen takes more: the dough loses { $k } while it is mixed.
water-mixedNothing = What the kitchen takes, mixing gives back.
water-mixing = Mixed by
water-mixings-spoon = Spoon
water-mixings-folds = Folds only
water-mixings-hand_kneading = Kneading by hand
water-mixings-slap_and_fold = Slap-and-fold
water-mixings-planetary_mixer = Planetary mixer
water-mixings-spiral_mixer = Spiral mixer
water-mixings-processor = Food processor
water-now = As it is now
water-flour = Flour
water-room = Room
water-levain = Levain or preferment
water-tap = Cold tap
water-hasHot = There is a hot tap
water-hotTap = Hot tap
water-freezer = Ice straight from the freezer
water-bowl = Bowl counted
water-bowls-none = No
water-bowls-steel = Steel
water-bowls-glass = Glass
water-bowls-ceramic = Ceramic
water-bowls-plastic = Plastic
water-bowlG = The bowl weighs
water-bowlC = The bowl has
water-ofWater = of water for the bowl
water-gives = gives a dough of
water-not = not
water-balance = Heat balance wants
water-factor = Factor rule wants
water-adds = adds
water-usual = the usual figure, no mix measured yet
water-mixes = { $count ->
        [one] learnt from one measured mix
       *[other] learnt from { $count } measured mixes
    }
water-water = Water
water-poured = I mixed these waters
water-pouredStart = Begin from the jugs above
water-another = Another water
water-togetherAt = Together they have
water-willBe = The dough will be
water-measured = The dough measured
water-log = Log it
water-learnt = Mixing this way adds { DIFFERENCE($k, digits: 1) } here; this rests on { $count ->
        [one] one measured mix
       *[other] { $count } measured mixes
    }, usually { DIFFERENCE($usual, digits: 1) }.
