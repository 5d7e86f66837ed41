rooms-bench = Bench
rooms-log = Log
rooms-plan = Plan
rooms-formulas = Formulas
rooms-cultures = Cultures
rooms-oven = Oven
rooms-water = Water
rooms-kitchen = Kitchen
