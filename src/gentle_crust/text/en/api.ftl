# What is refused: api.

api-press-incomplete = { $name } is missing from what was pressed.
    .remedy = Load the page anew.
api-if-match-unreadable = If-Match does not name a state.
    .remedy = Send the ETag that came with it.
api-copy-not-there = There is no copy of that day.
    .remedy = Choose one from the list.
