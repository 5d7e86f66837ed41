cultures-photoBack = Have the last one back
cultures-title = Cultures
cultures-none = No culture yet.
cultures-emptyTitle = No culture yet
cultures-emptyWords = Write down the one that lives in your kitchen, with its jar and its last feed; or begin one from flour and water.
cultures-notHere = That culture is not here. Choose one from the list.
cultures-add = Add a culture, or begin one
cultures-more = Other builds
cultures-buildsTitle = To build for plans
cultures-buildFor = for
cultures-oneFor = One build for { $count }:
cultures-bringInFile = Bring in a culture’s file
cultures-calendarAll = All that is ahead as a calendar
cultures-calendarHow = Subscribe to this address in a calendar: it brings what is ahead, with a reminder, and moves it when it moves here.
cultures-calendarAddress = Address of the calendar
cultures-calendarCopy = Copy
cultures-calendarCopied = Copied
cultures-calendarSecret = Whoever knows the address sees what is ahead. A phone’s calendar has to trust this kitchen.
cultures-calendarRenew = Make a new address
cultures-calendarSurely = Calendars that subscribed to the old address no longer get anything.
cultures-calendarOnce = Download once
cultures-goneTitle = Put away
cultures-until = until
cultures-feedAt = feed
cultures-wasDue = feed was due
cultures-startMark = start mark
cultures-peakMark = will peak
cultures-jar = Its jar
cultures-ribbon = The culture since its feed
cultures-ripe = Ripe
cultures-pastBy = past it by
cultures-notRipe = not ripe within what can be foretold
cultures-hunger = hunger
cultures-hungerNone = hunger: none within this time
cultures-hungryFrom = hungry from
cultures-hungryWord = hungry
cultures-now = now

## cultures-places: by code

cultures-places-counter = counter
cultures-places-fridge = fridge

## cultures-onThe: by code

cultures-onThe-counter = on the counter
cultures-onThe-fridge = in the fridge

##

cultures-forDaysCold = {" "}for { $days } days
cultures-states-contaminated = Discard it
cultures-states-guide = Day { $day }: { $stage }
cultures-states-unknown = Not fed yet
cultures-states-hungry = Hungry
cultures-states-past = Past its peak
cultures-states-ripe = Ripe
cultures-states-ripeUntil = Ripe until { $at }
cultures-states-ripeFrom = Ripe from { $at }
cultures-states-rising = Rising

## cultures-states-stages: by code

cultures-states-stages-waiting = waiting
cultures-states-stages-early_burst = not yeast yet
cultures-states-stages-quiet = quiet
cultures-states-stages-waking = waking
cultures-states-stages-nearly = doubled once
cultures-states-stages-spoilt = spoilt

## cultures-verdicts: by code

cultures-verdicts-thriving = Thriving
cultures-verdicts-sluggish = Sluggish
cultures-verdicts-past_peak = Past its peak
cultures-verdicts-hungry = Hungry
cultures-verdicts-contaminated = Contaminated

##

cultures-because = Because
cultures-although = Although
cultures-doNow = What to do
cultures-vigour = Vigour
cultures-ofUsual = of the usual speed
cultures-vigourFrom = Between { $span }. Heights read on the glass: { $count }.
cultures-vigourUnread = Between { $span }: a guess until its height is read after a feed.
cultures-wakes = { $count ->
        [one] Wants one feed before a dough.
       *[other] Wants { $count } feeds before a dough.
    }
cultures-nextFeeds = Next feeds
cultures-overdue = overdue
cultures-discardTitle = Discard
cultures-discardWords = { $week } in the last week, { $month } in four.
cultures-discardLess = Feeding that makes less
cultures-aWeek = { $mass } a week.
cultures-photoOf = { $name }, { $at }
cultures-photosInOrder = Its pictures, the oldest first
cultures-photoAdd = Add a picture
cultures-photoOther = Add a picture
cultures-photoNone = Take this one away
cultures-fedAt = Fed
cultures-feedFirst = Log its last feed, and it begins to live here.
cultures-isAway = This culture was put away. Bring it back from the list.
cultures-feed = Feed
cultures-look = Look at it

## cultures-move: by code

cultures-move-counter = Onto the counter
cultures-move-fridge = Into the fridge

##

cultures-takeSome = Take, dry, wake
cultures-takeBack = Take it back
cultures-loggedIt = Written down.

## cultures-logged: by code

cultures-logged-fed = Fed, and written down.
cultures-logged-begun = Begun, and written down.
cultures-logged-seen = Seen, and written down.
cultures-logged-moved = Moved, and written down.
cultures-logged-taken = Taken, and written down.
cultures-logged-weighed = Weighed, and written down.

##

cultures-files = This culture as a file, and its care
cultures-takeOutCsv = History, CSV
cultures-takeOutJson = History, JSON
cultures-calendar = Its feeds as a calendar
cultures-edit = Change what is known of it
cultures-putAway = Put { $name } away
cultures-close = Close
cultures-feedTitle = Feed { $name }
cultures-seed = culture
cultures-flour = flour
cultures-water = water
cultures-salt = salt
cultures-labels-seed = Culture kept
cultures-labels-flour = Flour
cultures-labels-water = Water
cultures-moreOfFeed = Another time, its temperature, its mark, its flour
cultures-otherFlour = Another flour than usual
cultures-mixedAt = Mixed at
cultures-markAt = Start mark at
cultures-at = At
cultures-logFeed = Log the feed
cultures-wishTitle = Ripe levain for a time
cultures-needed = I need
cultures-kept = Left over
cultures-day = Day
cultures-ripeAt = Ripe at
cultures-stands = Where it ripens
cultures-standsCounter = On the counter
cultures-standsWarm = In a warm place
cultures-warmC = The warm place
cultures-usualFirst = { $count ->
        [one] First its usual feed, { $from }.
       *[other] First { $count } feeds as usual, { $from } to { $to }.
    }
cultures-usualAssumed = No standing feeds are set: one a day at this hour is taken.
cultures-asItIs = It will be ripe then as it stands, and there is enough of it.
cultures-soonest = At the soonest:
cultures-nightWay = This one would wake you:
cultures-waysTitle = Ways to feed
cultures-feedsFrom = { $count } feeds
cultures-wantedAt = wanted
cultures-ripeSpan = Ripe { $from } to { $to }
cultures-spare = { $mass } of the culture is not needed for it; { $flour } of flour in all.
cultures-takeWay = Weigh it so
cultures-lookTitle = What it shows
cultures-heightNow = Height now
cultures-itsWarmth = Its temperature
cultures-cueNames-surface = Its top
cultures-cueNames-floated = A spoonful in water
cultures-cueNames-smell = Smell
cultures-cueNames-liquid = Liquid on top
cultures-cueNames-growth = Colour
cultures-cueNames-bubbles = Bubbles

## cultures-cues: by code

cultures-cues-surface-domed = domed
cultures-cues-surface-flat = flat
cultures-cues-surface-sunken = sunken
cultures-cues-floated-floats = floats
cultures-cues-floated-sinks = sinks
cultures-cues-smell-floury = floury
cultures-cues-smell-mild = mildly sour
cultures-cues-smell-fruity = fruity
cultures-cues-smell-vinegar = vinegar
cultures-cues-smell-solvent = solvent
cultures-cues-smell-rotten = rotten
cultures-cues-liquid-none = no liquid
cultures-cues-liquid-some = liquid on top
cultures-cues-growth-clean = clean
cultures-cues-growth-pink_or_orange = pink or orange
cultures-cues-growth-fuzzy = fuzzy

##

cultures-note = Note
cultures-lookNote = What you see, in your own words
cultures-smellWords = What it smells of, in your own words
cultures-logLook = Log what it shows
cultures-weighTitle = Weigh it with its jar
cultures-gross = Jar and culture
cultures-weighAlone = Weigh it
cultures-cultureAlone = The culture alone
cultures-logWeight = Log the weight
cultures-takeTitle = Take some of it
cultures-takenG = Taken
cultures-logTaken = Log it
cultures-holds = The jar holds about { $mass }.
cultures-backupTitle = A dried backup
cultures-backupSteps-0 = Spread a few spoons of it, at its peak, thin on baking paper.
cultures-backupSteps-1 = Dry it at room temperature for a day or two, never above { WARMTH(35) }, until it is brittle.
cultures-backupSteps-2 = Crumble it into a jar with name and date. Dry and dark it keeps for a year or more.
cultures-driedG = Spread to dry
cultures-logDried = Log the backup
cultures-wakeTitle = Wake it from dry
cultures-wakeSteps-0 = Soak the flakes in lukewarm water for an hour, then stir in the flour.
cultures-wakeSteps-1 = Feed it daily from then on: two to four feeds until it doubles in its usual time, twice in a row.
cultures-flakesG = Dry flakes
cultures-logWoken = Log the waking
cultures-wokenWith = with { $flour } flour and { $water } water
cultures-awayTitle = Before and after an absence
cultures-leave = I leave
cultures-forDays = Away for
cultures-awayWell = well rested
cultures-awayPast = past its peak but well
cultures-awayHungry = hungry
cultures-awaySays = After { $days } days it will be { $state }: { $count ->
        [one] one feed wakes it.
       *[other] { $count } feeds back to back wake it.
    }
cultures-awayReady = Doubled in its time: build a levain from it.
cultures-compare = Cultures side by side
cultures-compareDrawing = Cultures after the same feed
cultures-besideNone = Choose
cultures-beside = Beside
cultures-sureBy = give or take { $percent } %, heights read: { $count }
cultures-ripeAfter = Ripe after { $low } to { $high } h, likely { $likely }
cultures-compareLead = The same feed for each, 1 : 2 at { WARMTH(24) }, with each as strong as it is now.
cultures-guideNext = Next feed or stir
cultures-guideDoublings = Doublings in a row: { $count } of 2.
cultures-yours = Yours:
cultures-history = What happened
cultures-nothingYet = Nothing yet.

## cultures-did: by code

cultures-did-fed = Fed
cultures-did-begun = Begun with
cultures-did-woken = Woken with
cultures-did-taken = Took
cultures-did-dried = Dried
cultures-did-weighed = Weighed:

## cultures-movedTo: by code

cultures-movedTo-counter = Onto the counter
cultures-movedTo-fridge = Into the fridge

##

cultures-showMore = Show { $count } more
cultures-olderInFile = { $count ->
        [one] One older one is in the file.
       *[other] { $count } older ones are in the file.
    }
cultures-withdrawn = Taken back in the last 30 days: { $count }
cultures-howFrom = From where
cultures-hows-have = It lives here already
cultures-hows-begin = Begin one from flour and water
cultures-beginWords = Fifty grams each of whole grain flour and water, kept warm. It takes one to two weeks, whatever the first bubbles promise.
cultures-name = Name
cultures-fedWith = Fed with
cultures-mixedWith = mixed with
cultures-shareOf = its share
cultures-mixIn = Mix in another flour
cultures-mixTooMuch = The flours that are mixed in leave nothing of the first.
cultures-anotherFeed = Another feed
cultures-itsWater = Its water
cultures-emptyG = Weighs empty
cultures-diameter = Wide inside
cultures-rimHeight = High inside
cultures-volume = Holds
cultures-jarWhy = Width or volume tells how high it will rise. The weight, without the lid, may stay empty: with it the jar can be weighed with the culture in it.
cultures-livesOn = Lives
cultures-lives-counter = on the counter
cultures-lives-fridge = in the fridge
cultures-standing = Standing feeds
cultures-standings-none = None
cultures-standings-daily = Daily
cultures-standings-weekly = On days of the week
cultures-standings-days = Every few days
cultures-onDay = Day of the week
cultures-everyDays = Days between
cultures-weekdays-0 = Monday
cultures-weekdays-1 = Tuesday
cultures-weekdays-2 = Wednesday
cultures-weekdays-3 = Thursday
cultures-weekdays-4 = Friday
cultures-weekdays-5 = Saturday
cultures-weekdays-6 = Sunday
cultures-save = Save the culture
cultures-cancel = Leave it
cultures-prefermentTitle = A preferment with yeast
cultures-kind = What
cultures-mixedOn = Mixed on
cultures-ripeOn = Ripe on
cultures-coldPart = Part of it in the fridge
cultures-coldFrom = Fridge from
cultures-coldTo = out at
cultures-ofItsFlour = of its flour
cultures-doseSpan = Ripe { $low } to { $high }, likely { $likely }.
cultures-isItRipe = Is it ripe now?
cultures-preferment-surface-domed = domed
cultures-preferment-surface-dimpled = flat, dimpled
cultures-preferment-surface-collapsed = collapsed
cultures-preferment-bubbles-few = few
cultures-preferment-bubbles-many = many
cultures-preferment-smell-floury = floury
cultures-preferment-smell-sweet = sweet
cultures-preferment-smell-sharp = sharp

## cultures-preferment-verdicts: by code

cultures-preferment-verdicts-early = Not yet.
cultures-preferment-verdicts-ripe = Ripe.
cultures-preferment-verdicts-past = Past it.

##

cultures-sourTitle = A rye sour in stages
cultures-from = Built from
cultures-anyLively = Any lively culture
cultures-stages = Stages
cultures-two = Two
cultures-three = Three
cultures-allOf = the whole { $stage }
cultures-sourLate = Too late for this: it would have to begin { $at }. Take two stages, or bake later.
cultures-sourReady = Into the dough.
cultures-wakesYou = This wakes you.
