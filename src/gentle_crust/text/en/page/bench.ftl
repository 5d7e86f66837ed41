bench-title = Bench
bench-titleDue = ● { $step }: { $dough }
bench-empty = Nothing is on the bench.
bench-coming = What is coming
bench-emptyMore = Start a saved plan, or tell of a dough that you have just mixed.
bench-startPlan = Start this bake
bench-toBench = To the bench
bench-start = Start
bench-saved = Saved plans
bench-mixedTitle = I have just mixed this
bench-mixedWhat = Which dough
bench-mixedPieces = Pieces
bench-mixedAgo = Mixed

## bench-mixedAgoes: by code

bench-mixedAgoes-0 = just now
bench-mixedAgoes-15 = 15 min ago
bench-mixedAgoes-30 = 30 min ago
bench-mixedAgoes-60 = an hour ago

##

bench-mixedProof = Proof

## bench-mixedProofs: by code

bench-mixedProofs-room = in the room
bench-mixedProofs-cold = in the fridge

##

bench-mixedGo = Put it on the bench
bench-another = Another dough
bench-close = Close
bench-due = now
bench-late = { $span } late
bench-inSpan = in { $span }
bench-done = Done
bench-notYet = Not yet
bench-skip = Skip
bench-look = Is it ready?
bench-read = Reading
bench-note = Note
bench-photo = Photo
bench-extraFold = One more fold
bench-change = Change
bench-snooze = Quiet for 5 min
bench-snoozed = Quiet until { $at }
bench-stop = Take it off the bench
bench-more = More
bench-asksWait = Look again in

## bench-waits: by code

bench-waits-10 = 10 min
bench-waits-15 = 15 min
bench-waits-30 = 30 min
bench-waits-60 = 1 h

##

bench-says-done = { $step }: done
bench-says-skipped = { $step }: left out
bench-says-notYet = { $step }: not yet, look again { $at }
bench-says-snoozed = Quiet until { $at }
bench-says-read = Reading written down
bench-says-note = Note written down
bench-says-judged = Judgement written down
bench-says-outcome = How it came out, written down
bench-says-finished = Put into the record
bench-says-stopped = Taken off the bench
bench-says-probe = Thermometer in the dough
bench-says-away = Absence written down
bench-says-corrected = Time put right
bench-takeBack = Take it back
bench-early = { $step } is { $span } ahead. Is it done already?
bench-earlySkip = { $step } is { $span } ahead. Leave it out already?
bench-earlyYes = Yes, done
bench-earlySkipYes = Yes, leave it out
bench-earlyNo = No, wait for it
bench-asideDough = { $name } cannot be carried on: { $why }
bench-asideOff = Take it off the bench
bench-stuck = { $count ->
        [one] One thing could not be taken. It is kept on this device.
       *[other] { $count } things could not be taken. They are kept on this device.
    }
bench-stuckPhoto = Photo

## bench-stuckKinds: by code

bench-stuckKinds-bake_step = Step
bench-stuckKinds-bake_note = Note
bench-stuckKinds-reading = Reading
bench-stuckKinds-bake_judged = Judgement
bench-stuckKinds-bake_changed = Change
bench-stuckKinds-bake_edited = Change
bench-stuckKinds-bake_withdrawn = Taken back
bench-stuckKinds-bake_corrected = Corrected time

##

bench-stuckOther = Press
bench-stuckAgain = Send again
bench-stuckDrop = Forget it
bench-shortcuts = Single letters press: D done, S skip, N not yet, L is it ready, C change, R reading, 1 to 9 a dough
bench-ready = Done. Everything is written down.
bench-past = What happened
bench-when = It was at
bench-correct = Correct
bench-clash = This will not do
bench-finding = Looking for ways out
bench-noWay = No single change helps. Move the plan by hand: skip, chill or bake earlier.
bench-offline = No connection. Presses are kept here and sent when it is back
bench-offlineOld = No connection. This is the bench as it stood at { $when }; presses are kept here
bench-sending = Sending what was kept here: { $count }
bench-offlineCount = { $count } kept
bench-clockBack = The clock was set back. Nothing is lost; times go on from the last thing done.
bench-away = I am away
bench-awayFrom = From
bench-awayTo = To
bench-awayGo = Write it down
bench-awayNote = Away { $from } to { $to }
bench-survives-unknown = {""}
bench-survives-yes = The bench opens here without a connection too, also after a reload.
bench-survives-untrusted = The bench will not survive a reload here without a connection: the browser does not trust this kitchen yet.
bench-survives-cannot = This browser cannot keep the bench for a reload without a connection.
bench-howToTrust = How to trust it
bench-keepsNothing = This browser keeps nothing, as in a private window: presses without a connection are lost with the page.
bench-sleeps = A phone that sleeps lets no page call. For what must not be missed set an alarm in the phone’s own clock or calendar.
bench-device = This device
bench-phone = Open it on the phone:
bench-noPhone = To have it on the phone too, serve it with: gentle-crust serve --lan
bench-soundOn = Sound is on
bench-soundOff = Sound is off
bench-turnOn = Turn it on
bench-turnOff = Turn it off
bench-noticeGranted = Notifications come when this page is out of sight.
bench-noticeAsk = Notifications are not allowed yet.
bench-noticeAllow = Allow them
bench-noticeWithheld = This browser gives no notifications here. Keep the page open with the sound on; over HTTPS it may give them.
bench-awake = The screen stays lit on this page.
bench-noAwake = The browser does not keep the screen lit here. Set its screen-off time longer, or open it over HTTPS.
bench-outcomeTitle = Cut and tasted: how was the proof?

## bench-outcomes: by code

bench-outcomes-under = under-proofed
bench-outcomes-right = right
bench-outcomes-over = over-proofed

##

bench-finish = Put it into the record
bench-score = Judged proofs that came out as said: { $right } of { $judged }.
bench-ribbon = All doughs on one clock
bench-probe-choose = Thermometer
bench-probe-none = none
bench-probe-file = A logger’s file
bench-probe-says = The thermometer in it says { $degree }.
bench-notes = What do you want to remember?
bench-keep = Write it down

## bench-kinds: by code

bench-kinds-bake_started = Put on the bench
bench-kinds-bake_note = Note
bench-kinds-bake_photo = Photo
bench-kinds-bake_scaled = Width marked in a photo
bench-kinds-bake_sliced = Slice measured on a photo
bench-kinds-bake_loaf = Loaf judged
bench-kinds-bake_judged = Judged: { $verdict }
bench-kinds-bake_changed = Changed course
bench-kinds-bake_outcome = Proof: { $how }
bench-kinds-bake_probe = Thermometer: { $device }
bench-kinds-reading = Read: { $value }
bench-kinds-bake_not_yet = Not yet: { $step }
bench-kinds-bake_snoozed = Quiet
bench-kinds-bake_step = { $step }
bench-kinds-bake_edited = Changed by hand: { $what }

##

bench-skipped = left out

## bench-stages: by code

bench-stages-gluten = mixing and folding
bench-stages-culture = levain ripening
bench-stages-preferment = preferment ripening
bench-stages-bulk = bulk
bench-stages-final_proof = proof
bench-stages-baked = in the oven
bench-stages-cooling = cooling
bench-stages-waiting = not begun
bench-mind = To mind this time:
bench-waterHint = Until it felt right
bench-waterG = Water
bench-saysWater = Water written down

## bench-abouts: by code

bench-abouts-dough = how it stands
bench-abouts-water = water it took

## bench-waters: by code

bench-waters-more = worked in more
bench-waters-less = held back
