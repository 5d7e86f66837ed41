# What sentences are put together from.

nothing = {""}
sentences = { $parts }
said-before = { FIGURES($text) }
listed = { $first }, { $others }
listed-last = { $first } and { $last }
