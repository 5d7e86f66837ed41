rooms-bench = Bench
rooms-bakes = Bakes
rooms-plan = Plan
rooms-formulas = Formulas
rooms-cultures = Cultures
rooms-oven = Oven
rooms-water = Water
rooms-kitchen = Kitchen
