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
ways-problems-last_load = The last load waits too long.
ways-problems-oven = The oven is too cool.
ways-problems-vessel = Does not fit its vessel.
