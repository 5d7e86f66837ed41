# What is refused: devices.

devices-no-fault-know = { $unknown } is no fault I know.
    .remedy = Choose of { $list }.
devices-nothing-done-to-dough = '{ $deed }' is nothing that is done to a dough.
    .remedy = Choose one of { $deeds }.
devices-no-dough-yet = There is no dough yet.
    .remedy = Mix it first.
