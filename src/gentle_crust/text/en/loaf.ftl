# A loaf judged.

loaf-sheet-empty = Nothing was said of the loaf.
    .remedy = Press at least one thing.
loaf-note-length = The note is longer than 2,000 letters.
    .remedy = Shorten it.
loaf-holes-exclude = Holes { $one } and { $other } cannot both be so.
    .remedy = Choose one of them.
loaf-holes-everywhere = everywhere
loaf-holes-under_crust = under the crust
loaf-holes-middle = in the middle
loaf-holes-tunnels = in tunnels
loaf-holes-ring = in a ring
loaf-part-unknown = This dough has no part '{ $part }'.
    .remedy = Choose one of its parts.
loaf-field-unknown = A sheet has no field '{ $name }'.
    .remedy = Leave it out.
loaf-not-baked = No loaf of this dough has come out of the oven yet.
    .remedy = Judge it once it has.
