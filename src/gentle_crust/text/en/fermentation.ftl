# What is refused: fermentation.

fermentation-state-unknown = '{ $state }' is not a state of dough I know.
    .remedy = Choose one of { $names }.
fermentation-no-flour = There is no flour in the dough.
    .remedy = Give at least one flour and its grams.
fermentation-flour-unknown = '{ $kind }' is not a flour I know.
    .remedy = Choose one of { $names }.
fermentation-path-empty = The path is empty.
    .remedy = Give at least one stretch of hours, ambient_c and container.
fermentation-reading-unknown = '{ $kind }' is no reading I know.
    .remedy = Choose one of { $names }.
fermentation-before-mixing = That is before the dough was mixed.
    .remedy = Give a time after mixing.
fermentation-no-proof-target = '{ $vessel }' has no proof target.
    .remedy = Choose one of { $names }.
fermentation-container-unknown = '{ $container }' is not a container I know.
    .remedy = Choose one of { $names }.

mark-bowl-too-small = Your { $bowl_l }-litre bowl is too small for this plan: at +{ $percent } % the dough takes { $litres } litres. Use a bigger one, or two.
mark-jar = { MASS($sample) } in a { $wide } mm jar stands { $start } mm high at first, { $target } mm at +{ $percent } %. Keep it beside the dough.

probe-lost = No word from the probe for { $minutes } min.
probe-jumped = The probe jumped faster than a dough can. Was it pulled out, or the dough moved?

doubt-temperature = A dough does not change its temperature so fast: was the probe in it?
doubt-rise = It stood higher before: was it folded or divided, or is one of the two misread?
vigour-dead = This dough does not rise: its leaven is not alive. Work in yeast or a lively levain, or begin anew.
vigour-doubted = It hardly rises: is its leaven alive? Look for bubbles at the side; if there are none, it is not.
vigour-usual = { $of } keeps to the usual time.

school-early_cold = Stop early and lean on a long, cold proof: firm dough, easy to shape, sharper taste.
school-classic = Half to three quarters: open crumb, enough strength left to shape.
school-doubled = Doubled, as yeasted dough is judged: fine even crumb, little left for the proof.
school-wet_far = More than doubled, for big wet doughs with a poolish: they are tipped out, not shaped.

leans-warmth = that the room stays as warm as said: one degree moves it by about a tenth.
leans-culture = that the leaven is as lively as usual: nothing was read of this dough yet.
inverse-never = It does not come to that rise within four days.
leans-fridge = that the fridge cools as said: a warm or full one goes on for an hour or two.
inverse-least = Even the least { $what }
inverse-most = Even the most { $what }
inverse-past = { $of } does not do it in { $hours } h: it would be past it.
inverse-not-there = { $of } does not do it in { $hours } h: it would not be there yet.
inverse-levain = levain (0.5 to 40 % of the flour)
inverse-yeast = yeast (0.005 to 3 %)
inverse-warmth = warmth ({ WARMTH($low) } to { WARMTH($high) })
inverse-room = time in the room
inverse-fridge = time in the fridge
mark-box = +{ $percent } % in your { $box_l }-litre box is the { $litres } litre line
mark-box-starts = { $line }; it starts at { $start }.
mark-box-over = { $line }: it would run over, so use a bigger box or two.
probe-somewhere-warmer = The probe says { WARMTH($says) } and does not move; the dough should be about { WARMTH($foretold) }. Is the probe in it, or is the dough somewhere warmer?
probe-somewhere-colder = The probe says { WARMTH($says) } and does not move; the dough should be about { WARMTH($foretold) }. Is the probe in it, or is the dough somewhere colder?
vigour-your-dough = Your dough
vigour-faster = { $of } is about { $percent } % faster than usual.
vigour-slower = { $of } is about { $percent } % slower than usual.
