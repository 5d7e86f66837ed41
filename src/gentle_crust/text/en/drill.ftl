# Reading dough for practice.

drill-state-unknown = '{ $state }' is no state of a dough.
    .remedy = Choose one of those that are offered.
drill-sure-unknown = '{ $sure }' does not say how sure you are.
    .remedy = Choose one of those that are offered.
drill-becomes-bulk-early = Shaped now, it would have become a tight, pale crumb that bursts at the side.
drill-becomes-bulk-nearly = Shaped now, it would have become a sound loaf, a little tighter than it could be.
drill-becomes-bulk-ready = Shaped now, it would have become an even, open crumb.
drill-becomes-bulk-late = Shaped now, it would have been slack to shape: a flatter loaf with a sharper taste.
drill-becomes-bulk-over = Shaped now, it would have torn and spread: flat, sour, pale.
drill-becomes-final-proof-early = Baked now, it would have burst at the side, with a dense crumb.
drill-becomes-final-proof-nearly = Baked now, it would have sprung wildly, with a bold ear and a crumb a little tight.
drill-becomes-final-proof-ready = Baked now, it would have opened at its score, with an even crumb.
drill-becomes-final-proof-late = Baked now, it would have sprung little: a soft score and a broad loaf.
drill-becomes-final-proof-over = Baked now, it would have spread or caved in, with a pale crust.
