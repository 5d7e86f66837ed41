learnt-lead = What your own bakes have taught, and how surely. Every forecast uses it.
learnt-none = Nothing yet.
learnt-noneMore = Read a rise and a dough's temperature once in a bulk, and weigh a loaf as it comes out: after two or three bakes something stands here.
learnt-groups-leaven = Leavens
learnt-groups-kitchen = The kitchen
learnt-groups-loaf = Loaves
learnt-groups-baker = You
learnt-elsewhere = Learnt in other rooms
learnt-restsOn = { $bakes ->
        [one] From one bake
       *[other] From { $bakes } bakes
    }
learnt-known = { $percent } % known
learnt-changed = The last bakes say that this has changed: what was known before counts for little.
learnt-aside = Put it aside
learnt-again = Let it count again
learnt-wish = Let forecasts mind it
learnt-unwish = Leave it out
learnt-isAside = Put aside: it moves nothing.
learnt-notWished = It moves nothing until you wish it.
learnt-bakes = The bakes it rests on
learnt-bakeAside = Do not count
learnt-bakeAgain = Count
learnt-open = Open
