ways-title = Ways to get there
ways-days = days
ways-hands = times at hand
ways-ready = out { $when }

## ways-problems: by code

ways-problems-past = Begins in the past.
ways-problems-asleep = Wakes you.
ways-problems-unripe = Its levain would not get ripe.
ways-problems-no_rise = Hardly rises here.
ways-problems-water_hot = The flour is too cold.
ways-problems-young_culture = The culture is too young.
ways-problems-under_proofed = Would be under-proofed.
ways-problems-over_proofed = Would be over-proofed.
ways-problems-late = Would be late.
ways-problems-early = Would be out too soon.
ways-problems-never_ready = Never comes far enough.
ways-problems-never_warms = Never gets warm enough.
ways-problems-proof_too_short = Leaves nothing for its proof.
ways-problems-unsafe = Its bake is not safe.
ways-problems-oven_taken = The oven is taken.
ways-problems-hands_taken = Wants hands at once with another.
ways-problems-fridge_full = The fridge is full.
ways-problems-oven = The oven is too cool.
ways-problems-vessel = Does not fit its vessel.
