kitchen-title = Kitchen
kitchen-theKitchen = The kitchen
kitchen-asleep = Asleep
kitchen-daySaid = The kitchen from noon to noon: { $high } by day, down to { $low } by night, asleep from { $from } to { $to }; the fridge at { $fridge }.
kitchen-lead = Every plan starts from these. A plan can differ.
kitchen-name = Name
kitchen-zone = Time zone
kitchen-sleep = Asleep
kitchen-from = from
kitchen-to = to
kitchen-day = Room by day
kitchen-night = Room by night
kitchen-fridge = Fridge shelf
kitchen-tap = Cold tap
kitchen-hotTap = Hot tap, if any
kitchen-tools = To measure and mix with
kitchen-scale = The scale shows steps of
kitchen-bowl = The bowl for bulk holds
kitchen-mixer = Most dough the mixer’s maker allows
kitchen-tin = A tin holds
kitchen-currency = Prices in
kitchen-altitude = Altitude, metres
kitchen-box = A straight box holds
kitchen-jar = A sample jar is wide inside
kitchen-fridgeRoom = Room for dough in the fridge
kitchen-oven = Oven
kitchen-ovenTop = Its hottest

## kitchen-ovens: by code

kitchen-ovens-electric = Electric, still
kitchen-ovens-electric_fan = Electric, fan
kitchen-ovens-rack = Rack oven
kitchen-ovens-gas = Gas
kitchen-ovens-built_in_steam = With built-in steam
kitchen-ovens-wood = Wood-fired

##

kitchen-vessels = To bake in
kitchen-count = How many
kitchen-kind = Kind
kitchen-add = Add a vessel
kitchen-remove = Remove
kitchen-warmths = Temperatures in
kitchen-weights = Weights in
kitchen-celsius = Celsius
kitchen-fahrenheit = Fahrenheit
kitchen-grams = Grams
kitchen-ounces = Ounces
kitchen-save = Save the kitchen
kitchen-saved = Saved
kitchen-newVessel = Iron pot
