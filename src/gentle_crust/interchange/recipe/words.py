"""The words by which bakers say what is done: each pattern is one thing that hands, dough or oven do."""

import re

_WORDS = {
    "out_of_fridge": r"(?:take|taken|remove[ds]?|bring)\b[^.,;]{0,30}\b(?:out|from the fridge)\b(?! of the (?:tin|pot|oven))|out of the fridge",
    "warm_up": r"warm(?:s|ing)? up|let (?:it |them )?warm|come to room temperature|to room temperature|acclimati[sz]e",
    "heat": r"pre-?heat(?:ed)?|heat(?:ed)? (?:the|an?|your|up)|heat up|warm the oven|set (?:it )?to|turn(?:ed)? (?:the oven )?on",
    "turn_down": r"(?:turn(?:ed)?|lower(?:ed)?|reduce[ds]?|drop(?:ped)?)\b[^.,;]{0,30}?\b(?:down|to|the heat|heat)\b|turn(?:ed)? down",
    "bake": r"cook(?:ed)? on|bak(?:e|es|ed|ing)(?!\s+(?:sheet|tray|steel|stone|tin|paper|parchment|soda|powder|pan))|\boven[- ]?time\b",
    "lid_off": r"lid off|un-?cover(?:ed)?|without(?: (?:the|a) (?:lid|cover))?|open(?:ed)?(?! by)|(?:remove|take off|lift off) the (?:lid|cover|dome)"
               r"|no lid|lid removed|off the lid",
    "lid_on": r"lid on|(?<!un)(?<!un-)\bcovered|with (?:the|a|its) lid|closed|lidded(?=\s+\w+\s+\w*\s*(?:for|\d))|under the (?:dome|lid)|with the lid on",
    "fold": r"stretch-and-folds?|(?:coil|letter|bowl|envelope)[- ]?folds?|fold(?:s|ed|ing)?\b",
    "knock_back": r"knock(?:ed)? (?:it )?(?:back|down)|punch(?:ed)? (?:it )?down|deflate|degas|knock-back",
    "divide": r"divid(?:e|ed|es|ing)|cut (?:it |the dough )?(?:in(?:to)?\b|\d)|split|scal(?:e|ed) (?:at|to|into)|portion|halve",
    "preshape": r"pre-?shap(?:e|ed|es)|round(?:ed)? up|ball(?:ed)? up|\b(?:round|ball)\b(?=,|\.|;|$| and)|into (?:a )?(?:tight )?balls?|round them",
    "open": r"open(?:ed)? (?:by hand|up)|stretch(?:ed)? (?:by hand|out)|roll(?:ed)? (?:out|flat|thin)|^open$|press(?:ed)? out",
    "shape": r"(?<!pre-)(?<!pre)shap(?:e|ed|es|ing)|mould(?:ed)?|mold(?:ed)?|roll(?:ed)? up|braid(?:ed)?|plait(?:ed)?|roll(?:ed)? into(?! (?:a )?balls?)|flatten(?:ed)?|form(?:ed)? (?:into|an?\b|\d)"
             r"|make \d+ (?:\w+ )?(?:loaves|rolls|balls|sticks)|dimple|(?:scrape|fill|tip|put|place|spoon|press|transfer)[^.,;]{0,25}\b(?:tins?|trays?)\b",
    "score": r"scor(?:e|ed)|slash(?:ed)?|cut (?:a |the )?(?:cross|tops?)|snip(?:ped)?",
    "glaze": r"brush(?:ed)?|glaz(?:e|ed)|egg ?wash(?:ed)?",
    "seeds": r"sprinkl(?:e|ed)(?! over the salt| the yeast)|scatter(?:ed)?|top with (?:the )?seeds|^seeds$|roll in (?:the )?(?:seeds|oats)",
    "flour": r"dust(?:ed)?(?: (?:it|them|the \w+))?(?: with flour)?",
    "topping": r"\btop(?:ped)?\b(?! with (?:the )?seeds|s? (?:is|are|of)|\s+with a wet)(?!\s+(?:shelf|crust))",
    "autolyse": r"autolys[ei]s?",
    "knead": r"(?<!wet to )(?<!no need to )(?<!not )(?<!n't )knead(?:ed|ing|s)?|work the dough|slap and fold",
    "cool": r"cool(?:ed|s|ing)?(?: down)?|before (?:cutting|slicing)|on (?:a|the) (?:wire )?rack|wire rack",
    "cold": r"fridge|refrigerat(?:e|ed|or)|chill(?:ed)?|retard(?:ed)?|cold[- ](?:proof|bulk|retard|ferment)\w*|in the cold",
    "rise": r"\bris(?:e|es|en|ing)\b|\brose\b|prov(?:e|ed|es|ing)\b|proof(?:ed|ing|s)?\b|ferment(?:ed|s|ation)?|bulk|doubled?|ripen(?:s|ed)?|puff(?:y|ed)?"
            r"|on the counter|at room temperature",
    "rest": r"\brest(?:s|ed|ing)?\b(?! of)|stand(?:s|ing)?(?! mixer)|wait(?:ed|s)?|leav(?:e|es|ing)|\bleft\b|\blet\b|relax|\bsit\b|gave it|give it|give them",
    "mix": r"mix(?:ed|es|ing)?(?!er|ture)|stir(?:red)?|combin(?:e|ed)|add(?:ed|s|ing)?|dissolve[ds]?|incorporate|work in|beat|whisk|bring together|squeez(?:e|ed)|sprinkle over the salt|cream(?:ed)? the yeast|pour(?:ed)? in|(?:put|place) (?:all )?(?:the )?flour",
    "steam": r"steam|pan of (?:hot |boiling )?water|water pan",
    "mist": r"spray|mist",
    "prepare": r"rub(?:bed)? (?:in|the)|sift|toast|melt|grease[ds]? (?:a|the)|line (?:a|the)|warm the milk|feed",
    "turn": r"turn(?:ed|ing)? (?:it |them |the \w+ )?(?:round|around|once|half-?way)|turning",
    "soak": r"soak(?:ed|s)?|pour(?:ed)?[^.;]{0,40}\bwater\b[^.;]{0,20}\b(?:over|on)\b|scald(?:ed)?|over (?:a )?low heat",
}  # fmt: skip
WORDS = {key: re.compile(rf"(?:{pattern})", re.IGNORECASE) for key, pattern in _WORDS.items()}

CONTAINERS = {
    "tin": r"\btins?\b|loaf pans?|bread pans?|(?:into|in) (?:a|the|two|\d+)(?: greased| oiled)? pans?\b",
    "banneton": r"bannetons?|baskets?|brotform|(?:towel|cloth)-lined bowl|lined bowl",
    "couche": r"couche|in a cloth|on a cloth|linen|floured cloth",
    "tray": r"\btrays?\b|baking sheets?|\bsheets?\b",
    "box": r"\bbox(?:es)?\b",
}
VESSELS = {
    "lidded_cast_iron": r"dutch oven|cast[- ]iron|\bpots?\b|cocotte|casserole",
    "lidded_clay": r"clay (?:pot|baker)|r[oö]mertopf|cloche",
    "metal_dome": r"\bdome\b",
    "stone": r"(?:baking |hot |pizza )?\bstone\b",
    "steel": r"(?:baking |hot )?\bsteel\b",
    "tin": r"\btins?\b|loaf pan",
    "tray": r"\btrays?\b|baking sheets?",
}
PATTERNS = {
    **{f"in_{key}": re.compile(pattern, re.IGNORECASE) for key, pattern in CONTAINERS.items()},
    **{f"on_{key}": re.compile(pattern, re.IGNORECASE) for key, pattern in VESSELS.items()},
}
SHAPES = (
    ("baguette", r"baguettes?|\bsticks?\b"),
    ("slipper", r"slippers?"),
    ("batard", r"b[aâ]tards?|\bovals?\b|\blong\b|torpedo"),
    ("flat_round", r"flat ?breads?|flat rounds?|thin rounds?|\d+(?:-inch| inch| cm) rounds?"),
    ("roll", r"\brolls\b|\bbuns?\b"),
    ("pan_loaf", r"\btins?\b|loaf pans?|sandwich loaf"),
    ("boule", r"boules?|\brounds?\b(?! up)|round loaf|\bballs?\b"),
)
MIXERS = (
    ("spiral_mixer", r"spiral"),
    ("processor", r"food processor"),
    ("planetary_mixer", r"mixer|machine|dough hook"),
)
RISES = (
    (r"(?:almost|nearly|not quite|just under) (?:doubled?|double)", 0.9),
    (r"tripled?|three times", 2.0),
    (r"doubled?|twice (?:its|the) (?:size|volume)|2 times its", 1.0),
    (r"(?:by|grown|risen) (?:a |one )?half|half again|by 0\.50*\b|by 1/2", 0.5),
    (r"by (?:a |one )?third|by 0\.33\d*", 0.33),
    (r"by (?:a |one )?quarter|by 0\.250*\b", 0.25),
    (r"by (?:three|3)[ -]quarters|by 0\.750*\b", 0.75),
)
STOP = frozenset((
    "the", "a", "an", "and", "or", "of", "to", "in", "on", "at", "for", "with", "until", "it", "is", "its",
    "them", "they", "then", "this", "that", "from", "by", "into", "as", "all", "be", "if", "you", "i", "he",
    "she", "my", "your", "his", "her", "we", "about", "well", "so", "not", "no", "off", "over", "up", "out", "do",
    "more", "very", "has", "have", "been", "are", "was", "will", "can", "some", "each", "other", "after",
    "before", "again", "another", "once", "both", "just", "only", "roughly", "around", "next", "day", "now",
    "when", "while", "usual", "make", "made", "take", "put", "place", "your",
))  # fmt: skip
"""Words that say nothing by themselves."""
KNOWN = frozenset((
    "build", "flours", "feels", "feel", "but", "warmed", "clean", "lukewarm", "little", "bit", "wire", "everyday", "way", "rest",
    "give", "given", "spaced", "grown", "risen", "nearly", "almost", "doubled", "deep", "light", "dark", "crust", "loaf",
    "thick", "batter", "shaggy", "rough", "mass", "combined", "incorporated", "stretchy", "elastic", "supple", "tacky",
    "minutes", "minute", "min", "mins", "hours", "hour", "hrs", "day", "days", "degrees", "celsius", "fahrenheit",
    "gas", "mark", "gram", "grams", "kg", "ml", "oven", "bowl", "dough", "loaf", "loaves", "piece", "pieces",
    "basket", "lid", "pot", "time", "times", "set", "sets", "every", "apart", "interval", "intervals",
    "everything", "ingredients", "flour", "water", "salt", "temperature", "room", "total", "core", "inside",
    "golden", "brown", "smooth", "size", "half", "third", "quarter", "doubled", "double", "soft", "sticky", "dry",
    "surface", "floured", "oiled", "greased", "lightly", "bench", "board", "hand", "hands", "wet", "towel",
    "covered", "cover", "cm", "inch", "morning", "evening", "night", "final", "first", "second", "rise", "hr",
    "tsp", "tbsp", "st", "nd", "rd", "till", "overnight", "internal", "fan", "rounds", "balls", "round",
    "machine", "mixer", "low", "medium", "high", "speed", "slow", "fast", "hot", "remaining", "together", "large",
    "big", "turn", "lined", "warm", "clean", "fully", "completely", "well", "equal", "equally", "carefully",
    "gently", "slightly", "loosely", "very", "tight", "tightly", "seam-side", "seam", "oven's",
))  # fmt: skip
"""Words that are understood with what stands beside them."""
