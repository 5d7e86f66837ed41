# What is refused: contract.

contract-cannot-read-text-torn = The { $name } cannot be read: its text is torn.
contract-written-by-newer-program = The { $name } was written by a newer program.
    .remedy = Update the program.
contract-cannot-read-field-none = The { $name } cannot be read: it has a field '{ $name_2 }' that none has.
contract-cannot-read = The { $name } cannot be read: { $sentence }
contract-cannot-read-2 = The { $name } cannot be read.
contract-what-kept-as-cannot = What was kept as '{ $kind }' cannot be read.
contract-no-page-of-list = That is no page of this list.
    .remedy = Begin with the first one.
contract-time-does-not-say-in-which = That time does not say in which zone it is.
    .remedy = End it with Z or its offset, +01:00.
contract-year-none-kitchen-can = The year { $year } is none that this kitchen can have.
    .remedy = Correct the date.
contract-changed-meanwhile = The { $what } was changed meanwhile, here or on another device.
    .remedy = Choose what shall stand.
contract-not-as-declared = { $sentence }
    .remedy = { $remedy }
contract-not-as-declared-in = In the { $name }, { $sentence }
    .remedy = { $remedy }
