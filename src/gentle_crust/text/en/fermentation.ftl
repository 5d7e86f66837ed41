# What is refused: fermentation.

fermentation-not-state-of-dough-know = '{ $state }' is not a state of dough I know.
    .remedy = Choose one of { $names }.
fermentation-no-flour-in-dough = There is no flour in the dough.
    .remedy = Give at least one flour and its grams.
fermentation-not-flour-know = '{ $kind }' is not a flour I know.
    .remedy = Choose one of { $names }.
fermentation-path-empty = The path is empty.
    .remedy = Give at least one stretch of hours, ambient_c and container.
fermentation-no-reading-know = '{ $kind }' is no reading I know.
    .remedy = Choose one of { $readingkind }.
fermentation-before-dough-mixed = That is before the dough was mixed.
    .remedy = Give a time after mixing.
fermentation-no-proof-target = '{ $vessel }' has no proof target.
    .remedy = Choose one of { $names }.
fermentation-not-container-know = '{ $container }' is not a container I know.
    .remedy = Choose one of { $names }.
