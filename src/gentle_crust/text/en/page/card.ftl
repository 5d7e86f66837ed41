card-title = Card for the bake day
card-print = Print the card
card-head = { $pieces } × { $each }, out { $out }
card-water = Water for the dough: { $warm }.
