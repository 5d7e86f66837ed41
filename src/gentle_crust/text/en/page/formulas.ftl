formulas-find = Find by name
formulas-noneOfName = No formula of that name.
formulas-moreByName = There are more: find them by a part of their name.
formulas-theFormula = This formula
formulas-title = Formulas
formulas-overall = Overall
formulas-mixed = As mixed
formulas-overallHint = of all flour, the preferment’s counted
formulas-mixedHint = of the flour that goes into the bowl beside the preferment
formulas-planThis = Plan this
formulas-putAway = Put away
formulas-gone = is put away.
formulas-inList = { $water } % water, { $feel }
formulas-hydration = Water
formulas-salt = Salt
formulas-prefermented = Prefermented flour
formulas-pieces = of
formulas-empty = No formulas here.
formulas-bar = Shares of the dough by weight
formulas-dough = Final dough
formulas-edit = Change it
formulas-write = Write a new one
formulas-paste = Paste a recipe
formulas-save = Save the formula
formulas-cancel = Leave it
formulas-unsaved = Changes to { $name } are not saved.
formulas-goOn = Go on with them
formulas-forget = Forget them
formulas-name = Name
formulas-flours = Flours
formulas-together = together
formulas-remove = Remove
formulas-addFlour = Add a flour
formulas-yeast = Yeast
formulas-yeastKind = Kind of yeast
formulas-yeasts-instant = Instant yeast
formulas-yeasts-active_dry = Active dry yeast
formulas-yeasts-osmotolerant = Yeast for sweet doughs
formulas-yeasts-fresh = Fresh yeast
formulas-yeastWoken = Yeast woken in warm, sweet water first
formulas-preferment = Ferments first

## formulas-preferments: by code

formulas-preferments-levain = Levain
formulas-preferments-poolish = Poolish
formulas-preferments-biga = Biga
formulas-preferments-sponge = Sponge
formulas-preferments-old_dough = Old dough

##

formulas-prefermentFlour = Its flour
formulas-prefermentShare = Of all flour
formulas-prefermentWater = Its water
formulas-prefermentYeast = Its yeast
formulas-prefermentSalt = Its salt
formulas-allOfIt = All of it
formulas-add = Add
formulas-soaks = Soaks first
formulas-soakerKinds-soaker = Soaker
formulas-soakerKinds-scald = Scald, boiling water
formulas-soakerWater = Its water
formulas-bound = The grain keeps this water
formulas-soakedFlour = Flour in it
formulas-waterAndSalt = Water, salt, yeast
formulas-saltLate = Salt later
formulas-byFeel = Water by feel
formulas-feelTo = up to
formulas-heldBack = Held back
formulas-late = Late
formulas-lateWord = late
formulas-scalded = boiling water
formulas-stays = What stays while the rest changes
formulas-locks-pieces = Pieces
formulas-locks-dough = Dough
formulas-locks-count = Dough and weight of a piece
formulas-locks-flour = Flour
formulas-locks-bag = Rest of a bag
formulas-locks-tin = Tin
formulas-locks-round = Diameter

## formulas-locked: by code

formulas-locked-dough = Dough in all
formulas-locked-count = Dough in all
formulas-locked-flour = Flour in all
formulas-locked-bag = Left in the bag

##

formulas-bagOf = Bag of
formulas-tinHolds = The tin holds
formulas-tinBy = Measured

## formulas-tinBys: by code

formulas-tinBys-ml = by what it holds
formulas-tinBys-cm = in cm
formulas-tinBys-inch = in inches

##

formulas-tinLength = Length
formulas-tinWidth = Width
formulas-tinHeight = Height
formulas-tinIs = It holds about { $ml } ml.
formulas-diameter = Opened to
formulas-thickness = Thick
formulas-opened = Opened to { $cm } cm it is { $mm } mm thick.
formulas-tinFill = Dough for it
formulas-each = In each
formulas-shareOf = share of the dough
formulas-aDough = A { $word } dough.
formulas-feelEnds = By feel,
formulas-to = to
formulas-upTo = up to
formulas-moreWater = more water
formulas-carry = Its flours carry
formulas-protein = protein
formulas-weight1 = Weight
formulas-fromBowl = from the bowl.
formulas-itsWater = Its water
formulas-inside = What is inside
formulas-allergens = Allergens
formulas-ingredientsOf = The ingredients of a piece cost
formulas-ofBatch = of the batch
formulas-noPrice = Not counted, without a price:
formulas-extras = Besides
formulas-kind = Kind
formulas-addExtra = Add something

## formulas-extraKinds: by code

formulas-extraKinds-seeds = Seeds
formulas-extraKinds-oil = Oil
formulas-extraKinds-butter = Butter
formulas-extraKinds-milk = Milk
formulas-extraKinds-honey = Honey
formulas-extraKinds-sugar = Sugar
formulas-extraKinds-malt = Malt
formulas-extraKinds-egg = Egg
formulas-extraKinds-cream = Cream
formulas-extraKinds-yoghurt = Yoghurt
formulas-extraKinds-cheese = Cheese
formulas-extraKinds-beer = Beer
formulas-extraKinds-cider = Cider
formulas-extraKinds-wine = Wine
formulas-extraKinds-juice = Juice
formulas-extraKinds-vinegar = Vinegar
formulas-extraKinds-potato = Potato
formulas-extraKinds-fruit = Fruit or olives
formulas-extraKinds-nuts = Nuts
formulas-extraKinds-other = Other

##

formulas-piecesLabel = Pieces
formulas-weight = Dough in each
formulas-autolyse = Flour and water rest
formulas-doughC = From the bowl
formulas-shape = Shape

## formulas-shapes: by code

formulas-shapes-boule = Round
formulas-shapes-batard = Oval
formulas-shapes-baguette = Baguette
formulas-shapes-slipper = Slipper
formulas-shapes-pan_loaf = In a tin
formulas-shapes-flat_round = Flat round
formulas-shapes-roll = Rolls

##

formulas-note = Note
formulas-newName = New formula
formulas-withYeast = With yeast
formulas-withCulture = With my culture
formulas-bulkBefore = Bulk took
formulas-bulkAfter = now
formulas-bulkAt = Both at the dough’s own temperature.
formulas-about = about
formulas-overADay = over a day
formulas-bringIn = Bring in a file
formulas-takeOut = Take it out as

## formulas-files: by code

formulas-files-text = Text
formulas-files-csv = Weigh list, CSV
formulas-files-recipe = Recipe, schema.org
formulas-files-json = Formula, JSON

##

formulas-versions = As it was
formulas-version = Version
formulas-restore = Bring back version
formulas-compare = Compare two
formulas-list = All versions
formulas-alikeToo = Show what is alike too
formulas-before = Before
formulas-after = After
formulas-same = Nothing differs.
formulas-giveName = Name it
formulas-nameOf = Name version
formulas-keepName = Keep the name
formulas-gramsOf = { $name }, grams
