# What is refused: contract.

contract-document-torn = The { $name } cannot be read: its text is torn.
contract-document-newer = The { $name } was written by a newer program.
    .remedy = Update the program.
contract-document-unknown-field = The { $name } cannot be read: it has a field '{ $unknown }' that none has.
contract-document-not-as-declared = The { $name } cannot be read: { $sentence }
contract-document-unreadable = The { $name } cannot be read.
contract-event-unreadable = What was kept as '{ $kind }' cannot be read.
contract-page-unknown = That is no page of this list.
    .remedy = Begin with the first one.
contract-time-without-zone = That time does not say in which zone it is.
    .remedy = End it with Z or its offset, +01:00.
contract-year-out-of-span = The year { $year } is none that this kitchen can have.
    .remedy = Correct the date.
contract-changed-meanwhile = The { $what } was changed meanwhile, here or on another device.
    .remedy = Choose what shall stand.
contract-not-as-declared = { $sentence }
    .remedy = { $remedy }
contract-not-as-declared-in = In the { $name }, { $sentence }
    .remedy = { $remedy }
