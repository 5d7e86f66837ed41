# What was seen of a culture in its jar.

culture-feed-empty = The feed has no seed or no flour.
    .remedy = Give grams of both.
looked-spoilt = Something grows on it, or it smells rotten. Throw it away with its jar's contents, and begin anew from a clean one.
looked-not-rising = After { $hours } h it stands at +{ $percent } %: by now a culture should be ripe. Ask whether it is alive.
looked-seen = Seen at +{ $percent } %: { $phase }.
looked-foretold = By its forecast at +{ $percent } %: { $phase }.
looked-rising = it is still rising
looked-ripe = it is ripe
looked-past = it is past its peak
looked-hungry = it is hungry and wants a feed
