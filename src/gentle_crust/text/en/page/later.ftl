later-title = { $pieces } kept for { $day }
later-chill = Into the fridge, shaped and covered
later-warm = Out of the fridge; { $min } min in the room
later-preheat = Preheat
later-load = Score and load
later-out = Out
