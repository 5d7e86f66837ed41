"""Recipes by which the reader was mended; each reading was gone through by eye."""

from tests.recipes.case import case

REVIEWED = [
    case(
        "everyday sourdough",
        """
        Everyday sourdough
        Feed your starter the night before: 20 g starter, 40 g water, 40 g bread flour.
        In the morning mix 100 g of the starter with 350 g water, 500 g bread flour and 10 g salt.
        Rest half an hour. Do 3 folds, half an hour apart. Leave it for 3 more hours. Shape, chill for 12 hours, bake in a pot at 240C for 25 minutes, take off the lid and bake another 20.
        """,
        "levain: levain 20, water 40, strong_white 40; final: water 350, strong_white 500, salt 10",
        "levain 480-720 | mix | rest 30 | bulk 90 f3x30 | shape | proof fridge 720 | bake lidded_cast_iron 240x25",
        pieces=1,
        shape="boule",
    ),
    case(
        "dinner rolls",
        """
        Dinner rolls
        Yield: 16 rolls
        1 cup warm milk (110°F)
        1/2 cup sugar
        1/3 cup butter, melted
        2 eggs, room temperature
        1 teaspoon salt
        4 1/2 cups bread flour
        1 tablespoon active dry yeast
        Directions
        Dissolve the yeast in the warm milk and let stand until foamy, about 10 minutes.
        Mix in sugar, butter, eggs, salt and flour until combined. Knead with a dough hook for 6 minutes.
        Transfer to an oiled bowl, cover and let rise until doubled in bulk, about 1 hour.
        Punch down and divide into 16 pieces. Shape into balls and arrange in a greased 9x13-inch pan.
        Cover and let rise until nearly doubled, 30 minutes.
        Bake at 375 degrees F for 18-20 minutes. Brush with melted butter.
        """,
        "final: milk 243.7, sugar 100.8, butter 75.48, egg 100, salt 5.501, strong_white 562.2, active_dry_yeast 9.301",
        "mix | knead planetary_mixer 6 | bulk +100 | knock_back | divide | shape | proof +90 | bake 191x19 | finish glaze",
        pieces=16,
        shape="roll",
    ),
    case(
        "by headings",
        """
        Pain d'exemple
        Flour (T65): 1000 g
        Water: 680 g
        Salt: 18 g
        Fresh yeast: 6 g
        Kneading: 4 min speed 1, 5 min speed 2
        Bulk fermentation: 1 h 30, one fold after 45 min
        Dividing: 350 g
        Bench rest: 20 min
        Shaping: baguettes
        Proofing: 1 h
        Baking: 22 min at 250°C with steam
        """,
        "final: plain_white 1000, water 680, salt 18, fresh_yeast 6",
        "mix | knead 9 | bulk 90 f1x45 | divide | bench_rest 20 | shape | proof 60 | bake 250x22",
        pieces=5,
        shape="baguette",
    ),
    case(
        "seeded rye tin",
        """
        Seeded rye tin
        Rye sourdough: 150 g
        Dark rye flour: 300 g
        Water: 300 g
        Salt: 8 g
        Sunflower seeds: 50 g
        Honey: 1 tbsp
        Stir all together for 3 minutes. Spoon into a greased tin, smooth with wet hands. Leave for 3-4 hours at 26C. Put in oven at 240C; after 10 minutes reduce to 190C and bake 50 minutes more. Wrap in a cloth and leave 24 hours.
        """,
        "final: levain 150, whole_rye 300, water 300, salt 8, seeds 50, honey 21",
        "mix 3 | shape tin | proof 180-240 | bake tin 240x10 190x50 | cool 1440",
        pieces=1,
        shape="pan_loaf",
    ),
    case(
        "milk loaf",
        """
        Milk loaf
        1 lb strong white flour, 1/2 pint milk, 1 oz butter, 1 tsp salt, 1 tsp sugar, 1/2 oz fresh yeast.
        Cream the yeast with the sugar and a little of the milk. Rub the butter into the flour with the salt. Pour in the rest of the milk and mix to a soft dough. Knead for ten minutes and leave in a warm place for an hour or until doubled. Knock back, shape and put in a 2 lb tin. Prove for half an hour. Bake at gas 7 for 30 minutes.
        """,
        "final: strong_white 453.6, milk 243.7, butter 28.35, salt 5.501, sugar 4.199, fresh_yeast 14.17",
        "mix | knead 10 | bulk warm +100 | knock_back | shape tin | proof 30 | bake tin 220x30",
        pieces=1,
        shape="pan_loaf",
    ),
    case(
        "whole wheat pot",
        """
        Whole wheat pot bread, 100% hydration
        100% whole wheat flour - 600 g
        100% water - 600 g
        20% starter - 120 g
        2% salt - 12 g
        Autolyse 1 hr, then mix in starter and salt. Bulk 3.5 hr at 25C w/ 3 coil folds. Shape & proof 1.5 hr. Bake 500F 20 min lid on, 450F 25 min lid off.
        """,
        "final: whole_wheat 600, water 600, levain 120, salt 12",
        "autolyse 60 | mix | bulk 210 f3x52.5coil | shape | proof 90 | bake 260x20c 232x25",
        pieces=1,
        shape="boule",
    ),
    case(
        "soft buns",
        """
        Hamburger-style soft buns
        500 g plain flour
        2 tsp instant yeast
        2 tbsp sugar
        1 1/2 tsp salt
        1 egg
        250-280 ml warm milk
        50 g soft butter
        Egg wash, sesame seeds
        Put flour, yeast, sugar, salt, egg and milk in the bowl of a stand mixer. Knead 5 minutes, add butter and knead 8 minutes.
        First proof 60-90 minutes. Divide in 8 (about 110 g each), ball, rest 5 min, flatten. Second proof 45 min. Egg wash, seeds. 190°C, 15 minutes.
        """,
        "final: plain_white 500, instant_yeast 6.201, sugar 25.2, salt 8.251, egg 50, milk 272.9, butter 50",
        "mix planetary_mixer | knead 13 | bulk 60-90 | divide | preshape | bench_rest 5 | shape | proof 45 | finish glaze | finish seeds | bake 190x15",
        pieces=8,
        shape="roll",
    ),
    case(
        "two-day baguettes",
        """
        Two-day baguettes
        Dough
        500g strong white flour
        360g ice water
        10g salt
        2g instant yeast
        Day 1: Mix flour and water and leave for 30 minutes. Add salt and yeast and mix well. Refrigerate for an hour, fold, refrigerate another hour, fold. Then leave in the fridge for 16-24 hours.
        Day 2: Take the dough out and divide into 4. Preshape. Rest 45 minutes. Shape and proof on a couche for 45-60 minutes. Score and bake on a stone at 250C with steam for 10 minutes, then without steam for 12 minutes.
        """,
        "final: strong_white 500, water 360, salt 10, instant_yeast 2",
        "autolyse 30 | mix | bulk fridge 60 | fold x1 | bulk fridge 60 | fold x1 | bulk fridge 960-1440 | divide | preshape | bench_rest 45 | shape couche | proof 45-60 | score | bake stone 250x10 250x12",
        pieces=4,
        shape="baguette",
    ),
    case(
        "potato flat",
        """
        Potato focaccia: 300 g flour, 200 g semolina, 200 g mashed potato, 300 g water, 12 g salt, 12 g fresh yeast, 30 g olive oil. Knead everything for 10 min. Let rise 2 hours. Press into an oiled tray. Let rise 45 minutes. Top with cherry tomatoes and oregano. Bake at 220 C for 25-30 minutes.
        """,
        "final: plain_white 300, durum 200, potato 200, water 300, salt 12, fresh_yeast 12, oil 30",
        "mix | knead 10 | bulk 120 | shape tray | proof 45 | finish topping | bake tray 220x27.5",
        pieces=1,
        shape="flat_round",
    ),
    case(
        "brown without kneading",
        """
        Barm-less brown
        Mix together 1 pound wholemeal flour, 1 teaspoon salt, 2 teaspoons dried yeast and 1 tablespoon treacle with 14 fluid ounces of hand-hot water. The mixture should be too wet to knead. Put it straight into a warmed, greased tin. Leave for 20 minutes until it has risen by a third. Bake for 40 minutes at 200C.
        """,
        "final: whole_wheat 453.6, salt 5.501, active_dry_yeast 6.201, honey 21, water 414",
        "mix | shape tin | proof +33 | bake tin 200x40",
        pieces=1,
        shape="pan_loaf",
    ),
    case(
        "olive oil flats",
        """
        Olive oil flatbreads
        3 cups of all purpose flour
        1 1/4 cups water
        3 tbsp olive oil
        1 1/2 tsp kosher salt
        1 tsp instant yeast
        Mix, knead 5 min, cover 1 hr. Cut in 8. Roll thin. Cook on a hot steel at max heat (550F) for 2-3 min.
        """,
        "final: plain_white 374.8, water 295.8, oil 40.5, salt 5.7, instant_yeast 3.1",
        "mix | knead 5 | rest 60 | divide | shape | bake steel 288x2.5",
        pieces=8,
        shape="flat_round",
    ),
    case(
        "oat and honey",
        """
        Oat and honey pan loaf — 1 loaf
        350g bread flour; 100g oats; 300g water; 30g honey; 9g salt; 5g instant yeast
        Combine all. Rest 20 mins. Knead 8 mins. Bulk 75 mins. Shape, roll in oats, tin. Proof 1 hr. Bake 210C/190C fan 35 mins.
        """,
        "final: strong_white 350, seeds 100, water 300, honey 30, salt 9, instant_yeast 5",
        "mix | rest 20 | knead 8 | bulk 75 | shape tin | finish oats | proof 60 | bake tin 210x35",
        pieces=1,
        shape="pan_loaf",
    ),
]
