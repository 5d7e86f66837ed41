"""Recipes as they are told: sentences, percents and by feel."""

from tests.recipes.case import case

SPOKEN = [
    case(
        "told over the fence",
        """
        Take a kilo of strong white flour, 650 g of water, 20 g of salt and 15 g of fresh yeast.
        Mix it all and knead for ten minutes. Let it rise for an hour and a half.
        Cut it in two, shape two long loaves, let them rise for three quarters of an hour and bake them for half an hour at 230 degrees.
        """,
        "final: strong_white 1000, water 650, salt 20, fresh_yeast 15",
        "mix | knead 10 | bulk 90 | divide | shape | proof 45 | bake 230x30",
        pieces=2,
        shape="batard",
    ),
    case(
        "night before talk",
        """
        The night before, mix 100 g of strong white flour with 100 g of water and 20 g of starter and leave it on the counter.
        In the morning add 400 g strong white flour, 250 g water and 10 g salt and mix well.
        Fold it four times in the first two hours, then leave it for another two hours.
        Shape it, let it rest for an hour and bake it in a hot pot at 240C, 30 minutes with the lid and 15 without.
        """,
        "levain: strong_white 100, water 100, levain 20; final: strong_white 400, water 250, salt 10",
        "levain 480-720 | mix | bulk 240 f4x30 | shape | proof 60 | bake lidded_cast_iron 240x30c 240x15",
    ),
    case(
        "grandfather's rye",
        """
        My grandfather mixed 300 g of rye flour with 300 g of warm water and 30 g of sourdough in the evening and left it for twelve hours.
        Next day he added 500 g of plain flour, 250 g of water and 16 g of salt, kneaded it for 8 minutes, let it rest 20 minutes, shaped it and gave it an hour in a basket.
        He baked it at 240 °C for 15 minutes and then at 200 °C for 40 minutes.
        """,
        "levain: rye 300, water 300, levain 30; final: plain_white 500, water 250, salt 16",
        "levain 720 | mix | knead 8 | rest 20 | shape banneton | proof 60 | bake 240x15 200x40",
    ),
    case(
        "baker's percent",
        """
        Guild white

        Bread flour 100%
        Water 72%
        Salt 2%
        Instant yeast 0.6%

        Makes 2 loaves of 850 g.
        Dough temperature 25 C. Mix 5 min. Bulk 2 h, fold once after 60 min. Divide, preshape, rest 20 min, shape, proof 60 min.
        Bake 35 min at 235 C.
        """,
        "final: strong_white 973, water 701, salt 19.5, instant_yeast 5.8",
        "mix 5 | bulk 120 f1x60 | divide | preshape | bench_rest 20 | shape | proof 60 | bake 235x35",
        pieces=2,
        scaling_weight_g=850,
        dough_c=25,
    ),
    case(
        "percent with a levain",
        """
        80 % strong white flour
        20 % whole wheat flour
        78 % water
        2.1 % salt
        18 % levain

        Autolyse for 45 min. Add levain, then salt. Bulk until +50 %. Shape, cold proof 14 h. Bake in a dutch oven at 250 °C for 40 min.
        """,
        "final: strong_white 800, whole_wheat 200, water 780, salt 21, levain 180",
        "autolyse 45 | mix | bulk +50 | shape | proof fridge 840 | bake lidded_cast_iron 250x40",
    ),
    case(
        "percent by stages",
        """
        Poolish: 30% flour, 30% water, 0.03% instant yeast
        Dough: 70% strong white flour, 38% water, 2% salt, 0.3% instant yeast

        For 2 kg of flour.
        Poolish 14 hours. Mix 6 minutes by spiral mixer, bulk 75 minutes, divide in 10, rest 20, shape into sticks, proof 40 minutes, bake 24 minutes at 240.
        """,
        "poolish: plain_white 600, water 600, instant_yeast .6;"
        " final: strong_white 1400, water 760, salt 40, instant_yeast 6",
        "preferment 840 | mix spiral_mixer 6 | bulk 75 | divide | bench_rest 20 | shape | proof 40 | bake 240x24",
        pieces=10,
        shape="baguette",
    ),
    case(
        "hydration told",
        """
        1000 g bread flour at 75 % hydration, 2 % salt, 20 % starter.
        Mix, 30 minutes rest, 4 folds 30 minutes apart, bulk 5 hours in all.
        Shape, 12 hours in the fridge. 45 minutes at 240 C in a pot, lid off after 25 minutes.
        """,
        "final: strong_white 1000, water 750, salt 20, levain 200",
        "mix | rest 30 | bulk 300 f4x30 | shape | proof fridge 720 | bake lidded_cast_iron 240x25c 240x20",
    ),
    case(
        "by feel white",
        """
        Enough strong white flour for a soft dough, about 500 g
        300 to 340 g water, as much as it takes
        a good pinch of salt, about 10 g
        7 g instant yeast

        Mix, adding water until it feels soft but not sticky. Knead 10 minutes. Rise 1 hour, shape, rise 40 minutes, bake 30 minutes at 220 C.
        """,
        "final: strong_white 500, water 320, salt 10, instant_yeast 7",
        "mix | knead 10 | bulk 60 | shape | proof 40 | bake 220x30",
    ),
    case(
        "water to a feel",
        """
        1 litre of water
        25 g salt per litre of water
        strong white flour until the dough just stops sticking
        10 g fresh yeast

        Knead a good quarter of an hour. Leave for 3 hours. Make two loaves of it. Leave for 1 hour. Bake 50 minutes at 220 C.
        """,
        "final: water 1000, salt 25, strong_white 1540, fresh_yeast 10",
        "mix | knead 15 | bulk 180 | shape | proof 60 | bake 220x50",
        pieces=2,
    ),
    case(
        "flour to a feel",
        """
        700 g whole wheat flour
        water to make a soft dough
        14 g salt
        150 g levain

        Mix by hand. Four hours at room temperature. Shape, two hours in a tin, bake at 220 C for 45 minutes.
        """,
        "final: whole_wheat 700, water 530, salt 14, levain 150",
        "mix | bulk 240 | shape tin | proof 120 | bake tin 220x45",
    ),
    case(
        "salt to taste",
        """
        500 g plain flour
        330 g water
        5 g instant yeast
        salt to taste

        Mix, knead 8 minutes, rise 1 hour, shape, rise half an hour, bake 30 minutes at 220 °C.
        """,
        "final: plain_white 500, water 330, instant_yeast 5, salt 10",
        "mix | knead 8 | bulk 60 | shape | proof 30 | bake 220x30",
    ),
    case(
        "per loaf",
        """
        Per loaf:
        400 g strong flour per loaf
        260 g water per loaf
        8 g salt per loaf
        4 g instant yeast per loaf
        Makes 3 loaves.

        Mix and knead 10 min. Rise 80 min. Shape into tins. Rise 50 min. Bake at 210 C for 32 min.
        """,
        "final: strong_white 1200, water 780, salt 24, instant_yeast 12",
        "mix | knead 10 | bulk 80 | shape tin | proof 50 | bake tin 210x32",
        pieces=3,
    ),
    case(
        "a unit of their own",
        """
        One bell is thirty minutes.

        600 g strong white flour
        400 g water
        12 g salt
        120 g starter

        Mix. Rest one bell. Add nothing more; fold after one bell and again after two bells. Rise for eight bells in all.
        Shape. Rise for four bells. Bake at 230 C for one and a half bells.
        """,
        "final: strong_white 600, water 400, salt 12, levain 120",
        "mix | rest 30 | bulk 240 f2x30 | shape | proof 120 | bake 230x45",
    ),
    case(
        "markdown notes",
        """
        # Pilot loaf

        ## Ingredients

        * **450 g** strong white flour
        * **50 g** rye flour
        * **350 g** water
        * **10 g** salt
        * **100 g** levain (100 % hydration)

        ## Method

        1. *Mix* all but the salt; rest 30 min.
        2. Add salt. Bulk: 3 h 30 min with 3 folds, 40 min apart.
        3. Shape; basket; fridge 16 h.
        4. Bake: 250 °C 20 min (lid on) + 220 °C 20 min (lid off) in cast iron.
        """,
        "final: strong_white 450, rye 50, water 350, salt 10, levain 100",
        "mix | rest 30 | bulk 210 f3x40 | shape banneton | proof fridge 960 | bake lidded_cast_iron 250x20c 220x20",
    ),
    case(
        "only amounts",
        """
        500 g bread flour
        350 g water
        10 g salt
        2 g instant yeast
        """,
        "final: strong_white 500, water 350, salt 10, instant_yeast 2",
        None,
    ),
    case(
        "named again",
        """
        500 g strong white flour
        360 g water
        10 g salt
        50 g starter

        Mix the starter with 75 g of the flour and 75 g of the water and leave for 4 hours.
        Add the remaining flour and water and rest 30 minutes. Add the salt.
        Bulk 4 hours with three folds, one every 40 minutes. Shape and proof for 2 hours. Bake at 240 C for 40 minutes.
        """,
        "levain: levain 50, strong_white 75, water 75; final: strong_white 425, water 285, salt 10",
        "levain 240 | mix | rest 30 | bulk 240 f3x40 | shape | proof 120 | bake 240x40",
    ),
]
