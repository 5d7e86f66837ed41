# Short, calm, at their step. The maker's instructions and local rules come first.

caution-jar = Keep the lid loose: a sealed jar can burst.
caution-mould = Pink, orange or fuzzy: throw all of it away and clean the jar.
caution-raw_dough = Raw flour and dough are not for tasting, and not for pets.
caution-ratings = Check what lid knob, paper and vessel may take; the maker's limit comes before these temperatures.
caution-gas = Gas oven: keep the vents and the floor free of trays and foil; never relight it by hand.
caution-hob = Low flame, never left alone, extractor or window open; the whole pot and its handle are as hot as iron from the oven. What the maker says of heating it empty comes first.
caution-wood = Wood fire: outdoors or flued, mind carbon monoxide, embers and children; local fire rules come first.
caution-blades = Lame away from the body, fingers clear, blade covered afterwards.
caution-hot_iron = Dry, heat-proof gloves to the forearm. Lay a cloth on a handle that has come out of the oven: it looks cold.
caution-steam_water = Boiling water: little, in a kettle with a spout, from the side with your face back. Cover the window with a dry towel while pouring; no water on glass or lamps.
caution-ceramic = No cold water or ice into hot enamel or clay, unless its maker allows it.
caution-lid_steam = Lift the lid away from you: steam burns.
caution-door_steam = Open the door a hand's breadth first and stand aside: steam burns.
caution-scald = Boiling water: from a kettle with a spout, away from you, into a bowl that stands firm.
caution-dairy = Milk, butter or cheese in it: not left warm for hours; soak it in the fridge.
caution-knife = Serrated knife, away from the fingers, sawing without pressing.
caution-grill = Under the grill a crust burns within a minute: stay beside it. Paper, towels and non-stick never go under it.
caution-towels = Towels: plain cotton, soaked, in a metal tray with water, away from element and grill, out at the vent; never synthetic, never dry.
caution-spray = Never spray lamp, element or hot glass: they crack. Mist the loaf outside the oven.
caution-steam_stones = Only dry stones sold for heating: river or damp stones can burst.
caution-first = The maker's instructions and local rules come before this program's.
