# What is refused: api.

api-missing-from-what-pressed = { $name } is missing from what was pressed.
    .remedy = Load the page anew.
api-if-match-does-not-name = If-Match does not name a state.
    .remedy = Send the ETag that came with it.
api-no-copy-of-day = There is no copy of that day.
    .remedy = Choose one from the list.
