# What is refused: devices.

devices-fault-unknown = { $unknown } is no fault I know.
    .remedy = Choose of { $names }.
devices-deed-unknown = '{ $deed }' is nothing that is done to a dough.
    .remedy = Choose one of { $names }.
devices-no-dough-yet = There is no dough yet.
    .remedy = Mix it first.
