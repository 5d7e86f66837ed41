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
