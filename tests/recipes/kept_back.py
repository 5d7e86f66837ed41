"""Recipes that the reader was never mended by: scored apart.

One right reading was put right after the reader was there: "enamel and eggs" began with kneading, which no method may.
As it was first written, one course fewer of the twenty is right.
"""

from tests.recipes.case import case

KEPT_BACK = [
    case(
        "island brown",
        """
        Island brown loaf

        400 g wholemeal flour
        100 g strong white flour
        360 g water
        10 g salt
        6 g instant yeast
        20 g honey

        Mix everything and knead for 7 minutes.
        Let rise for 75 minutes.
        Shape, put into a tin and let rise for 40 minutes.
        Bake at 220 C for 35 minutes. Cool for 2 hours.
        """,
        "final: whole_wheat 400, strong_white 100, water 360, salt 10, instant_yeast 6, honey 20",
        "mix | knead 7 | bulk 75 | shape tin | proof 40 | bake tin 220x35 | cool 120",
    ),
    case(
        "jetty sourdough",
        """
        Levain:
        15 g starter
        70 g strong white flour
        70 g water
        Dough:
        420 g strong white flour
        80 g rye flour
        340 g water
        11 g salt
        the levain

        Let the levain ripen for 6 hours.
        Mix flour and water and autolyse for 1 hour.
        Add levain and salt. Ferment for 4 1/2 hours, with 3 sets of folds 45 minutes apart.
        Preshape. Rest 30 minutes. Shape into a batard and proof overnight in the fridge.
        Bake in a cast iron pot: 240 C for 25 minutes with the lid, 20 minutes without.
        """,
        "levain: levain 15, strong_white 70, water 70; final: strong_white 420, rye 80, water 340, salt 11",
        "levain 360 | autolyse 60 | mix | bulk 270 f3x45 | preshape | bench_rest 30 | shape | proof fridge 480-840"
        " | bake lidded_cast_iron 240x25c 240x20",
        shape="batard",
    ),
    case(
        "cup and a half",
        """
        2 cups whole wheat flour
        2 cups bread flour
        1 3/4 cups water
        2 tbsp molasses
        2 tsp salt
        2 tsp active dry yeast

        Mix, knead 10 minutes, let rise 1 1/2 hours. Shape into a loaf, rise 1 hour in a tin, bake 40 minutes at 375 F.
        """,
        "final: whole_wheat 250, strong_white 250, water 414, honey 42, salt 11, active_dry_yeast 6.2",
        "mix | knead 10 | bulk 90 | shape tin | proof 60 | bake tin 190x40",
    ),
    case(
        "percent lean",
        """
        Strong white flour 90 %
        Rye flour 10 %
        Water 70 %
        Salt 1.9 %
        Fresh yeast 1.5 %

        Mix 6 min. Bulk 90 min with one fold after 45 min. Divide, rest 15 min, shape, proof 50 min, bake 32 min at 230 C.
        """,
        "final: strong_white 900, rye 100, water 700, salt 19, fresh_yeast 15",
        "mix 6 | bulk 90 f1x45 | divide | bench_rest 15 | shape | proof 50 | bake 230x32",
    ),
    case(
        "brioche tin",
        """
        Butter loaf

        500 g strong white flour
        5 eggs
        60 g milk
        60 g sugar
        10 g salt
        15 g fresh yeast
        200 g butter

        Knead all but the butter for 10 minutes in the mixer. Add the butter and knead another 8 minutes.
        Rise 1 hour, then refrigerate overnight.
        Shape into a tin. Proof 3 hours. Brush with egg. Bake 35 minutes at 180 °C.
        """,
        "final: strong_white 500, egg 250, milk 60, sugar 60, salt 10, fresh_yeast 15, butter 200",
        "mix | knead planetary_mixer 18 | bulk 60 | bulk fridge 480-840 | shape tin | proof 180 | finish glaze"
        " | bake tin 180x35",
    ),
    case(
        "poolish rounds",
        """
        Poolish: 150 g plain flour, 150 g water, 0.2 g instant yeast
        Dough: 350 g plain flour, 170 g water, 14 g salt, 10 g olive oil

        Leave the poolish for 12 hours. Mix the dough, knead 5 minutes. Leave 3 hours.
        Divide into 3 balls. Leave 2 hours. Open, top and bake on a steel at 290 °C for 5 minutes.
        """,
        "poolish: plain_white 150, water 150, instant_yeast .2; final: plain_white 350, water 170, salt 14, oil 10",
        "preferment 720 | mix | knead 5 | bulk 180 | divide | proof 120 | finish topping | bake steel 290x5",
        pieces=3,
        shape="flat_round",
    ),
    case(
        "told in a kitchen",
        """
        I take 750 g of plain flour, half a litre of water, 15 g of salt and a packet of instant yeast.
        I mix it, knead it for ten minutes and let it rise for an hour.
        Then I shape two loaves, let them rise for half an hour and bake them at 220 °C for forty minutes.
        """,
        "final: plain_white 750, water 500, salt 15, instant_yeast 7",
        "mix | knead 10 | bulk 60 | shape | proof 30 | bake 220x40",
        pieces=2,
    ),
    case(
        "rye with seeds",
        """
        Soaker
        100 g sunflower seeds
        50 g pumpkin seeds
        150 g hot water

        Sourdough
        25 g starter
        250 g whole rye flour
        250 g water

        Main dough
        250 g rye flour
        150 g water
        11 g salt

        Prepare the soaker and the sourdough in the evening; leave both for 12 hours.
        Mix everything. Fill into a tin. Proof for 90 minutes. Bake for 60 minutes at 200 C. Wait 24 hours before cutting.
        """,
        "soaker: seeds 150, water 150; levain: levain 25, whole_rye 250, water 250; final: rye 250, water 150, salt 11",
        "soak 720 | levain 720 | mix | shape tin | proof 90 | bake tin 200x60 | cool 1440",
    ),
    case(
        "half a sachet",
        """
        300 g bread flour
        half a 7 g sachet of instant yeast
        200 ml water
        1 teaspoon fine sea salt
        1 tbsp olive oil

        Mix, knead 8 minutes, rise until doubled, shape, rise 30 minutes, bake at 200 °C fan for 25 minutes.
        """,
        "final: strong_white 300, instant_yeast 3.5, water 200, salt 5.5, oil 13.5",
        "mix | knead 8 | bulk +100 | shape | proof 30 | bake 200x25f",
    ),
    case(
        "gas mark",
        """
        1 1/2 lb wholemeal flour
        1 oz fresh yeast
        3/4 oz salt
        16 fl oz warm water
        1 oz butter

        Rub in the butter. Mix with the yeast, salt and water. Knead for 8 minutes. Prove for one hour. Divide between two tins. Prove for half an hour. Bake at gas mark 7 for 40 minutes.
        """,
        "final: whole_wheat 680, fresh_yeast 28, salt 21, water 473, butter 28",
        "mix | knead 8 | bulk 60 | divide | shape tin | proof 30 | bake tin 220x40",
        pieces=2,
    ),
    case(
        "biga for one",
        """
        Biga:
        200 g strong white flour
        100 g water
        1 g instant yeast

        Final dough:
        200 g strong white flour
        180 g water
        8 g salt

        Biga ripens 14 hours at 18 °C. Mix 8 minutes by spiral mixer. Bulk 2 hours, two folds 40 minutes apart.
        Divide into 2. Proof 45 minutes. Bake on stone 22 minutes at 240 °C.
        """,
        "biga: strong_white 200, water 100, instant_yeast 1; final: strong_white 200, water 180, salt 8",
        "preferment 840 | mix spiral_mixer 8 | bulk 120 f2x40 | divide | proof 45 | bake stone 240x22",
        pieces=2,
    ),
    case(
        "cold bulk",
        """
        600 g strong white flour
        450 g water
        12 g salt
        90 g levain

        Mix and rest 30 minutes. 4 folds every 30 minutes. 5 hours at room temperature in total, then 24 to 36 hours in the fridge.
        Divide in two. Let warm up for 1 hour. Shape. Proof 90 minutes. Score. Bake covered 20 minutes at 250 °C and uncovered 20 minutes at 230 °C in a cast iron pot.
        """,
        "final: strong_white 600, water 450, salt 12, levain 90",
        "mix | rest 30 | bulk 300 f4x30 | bulk fridge 1440-2160 | divide | warm_up 60 | shape | proof 90 | score"
        " | bake lidded_cast_iron 250x20c 230x20",
        pieces=2,
    ),
    case(
        "two spoons",
        """
        4 cups flour
        2 teaspoons salt
        2 tablespoons sugar
        2 1/4 teaspoons instant yeast
        1 1/2 cups warm milk
        1/4 cup melted butter
        1 egg

        Mix together and knead for 6 minutes. Let rise 1 hour. Shape into 12 rolls and place in a greased pan.
        Let rise 30 minutes. Bake at 375°F for 18 to 20 minutes.
        """,
        "final: plain_white 500, salt 11, sugar 25, instant_yeast 7, milk 366, butter 57, egg 50",
        "mix | knead 6 | bulk 60 | shape | proof 30 | bake 190x18-20",
        pieces=12,
        shape="roll",
    ),
    case(
        "feel of it",
        """
        500 g strong white flour
        320 to 350 g water
        10 g salt
        5 g instant yeast

        Mix with the lesser water, add more if it feels dry. Knead 8 min. Rise 90 min. Shape, rise 45 min, bake 30 min at 225 °C.
        """,
        "final: strong_white 500, water 335, salt 10, instant_yeast 5",
        "mix | knead 8 | bulk 90 | shape | proof 45 | bake 225x30",
    ),
    case(
        "levain at eight",
        """
        Evening: stir 30 g starter, 120 g strong white flour and 120 g water together.
        Morning: add 600 g strong white flour, 380 g water and 15 g salt. Knead 10 minutes.
        Leave 3 hours, fold twice. Shape into a ball, 2 hours in a basket.
        Bake 45 minutes at 230 °C on a stone.
        """,
        "levain: levain 30, strong_white 120, water 120; final: strong_white 600, water 380, salt 15",
        "levain 480-720 | mix | knead 10 | bulk 180 f2x60 | shape banneton | proof 120 | bake stone 230x45",
    ),
    case(
        "oven off",
        """
        450 g spelt flour
        280 g water
        9 g salt
        4 g instant yeast

        Mix, knead 5 minutes. Leave to rise in the switched-off oven with the light on for 50 minutes.
        Shape into a loaf, tin, 35 minutes. Bake 200 °C, 40 minutes.
        """,
        "final: spelt 450, water 280, salt 9, instant_yeast 4",
        "mix | knead 5 | bulk oven_off 50 | shape tin | proof 35 | bake tin 200x40",
    ),
    case(
        "cider vinegar loaf",
        """
        500 g strong white flour
        300 g beer
        1 tbsp vinegar
        9 g salt
        3 g instant yeast

        Stir. Leave 10 hours at room temperature. Fold, shape into a ball, rise 1 hour.
        Bake in a hot dutch oven 30 minutes covered and 12 minutes open at 235 °C.
        """,
        "final: strong_white 500, beer 300, vinegar 15, salt 9, instant_yeast 3",
        "mix | bulk 600 | fold x1 | shape | proof 60 | bake lidded_cast_iron 235x30c 235x12",
    ),
    case(
        "enamel and eggs",
        """
        Rich rolls (10)

        500 g plain flour
        200 g milk
        2 eggs
        70 g butter
        50 g sugar
        8 g salt
        20 g fresh yeast

        Knead for 10 minutes. Rise for 1 hour. Divide into 10. Shape. Proof on a tray for 40 minutes.
        Brush with milk. Bake at 190 °C for 15 minutes.
        """,
        "final: plain_white 500, milk 200, egg 100, butter 70, sugar 50, salt 8, fresh_yeast 20",
        "mix | knead 10 | bulk 60 | divide | shape | proof tray 40 | finish glaze | bake tray 190x15",
        pieces=10,
    ),
    case(
        "rest of the flour",
        """
        600 g strong white flour
        420 g water
        12 g salt
        3 g instant yeast

        Stir 150 g of the flour, 150 g of the water and a pinch of the yeast together and leave overnight.
        Add the rest, knead 8 minutes. Rise 2 hours. Shape, rise 1 hour. Bake 35 minutes at 230 °C.
        """,
        "poolish: strong_white 150, water 150, instant_yeast .35;"
        " final: strong_white 450, water 270, salt 12, instant_yeast 2.65",
        "preferment 480-720 | mix | knead 8 | bulk 120 | shape | proof 60 | bake 230x35",
    ),
    case(
        "maize bread",
        """
        Maize bread

        200 g cornmeal
        300 g boiling water
        300 g strong white flour
        100 g levain
        60 g water
        10 g salt

        Pour the boiling water over the cornmeal and cool for 45 minutes. Mix in the rest. Ferment 3 hours with one fold.
        Shape round, basket, 90 minutes. Bake 15 minutes at 250 °C and 30 minutes at 210 °C on a stone with steam.
        """,
        "scald: maize 200, water 300; final: strong_white 300, levain 100, water 60, salt 10",
        "scald 45 | mix | bulk 180 f1x90 | shape banneton | proof 90 | bake stone 250x15 210x30",
    ),
]
