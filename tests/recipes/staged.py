"""Recipes of two and three stages, sour, enriched and sweet."""

from tests.recipes.case import case

STAGED = [
    case(
        "three-stage sour",
        """
        Three-stage rye

        First stage
        10 g rye starter
        50 g whole rye flour
        75 g water

        Second stage
        all of the first stage
        150 g whole rye flour
        120 g water

        Final dough
        all of the second stage
        300 g whole rye flour
        200 g strong white flour
        310 g water
        13 g salt

        First stage: 6 hours at 26 C. Second stage: overnight at room temperature.
        Mix the final dough for 8 minutes and rest for 30 minutes.
        Shape with wet hands, proof in a floured basket for 60 minutes.
        Bake at 250 C for 10 minutes with steam, 190 C for 50 minutes.
        """,
        "first: levain 10, whole_rye 50, water 75; second: whole_rye 150, water 120;"
        " final: whole_rye 300, strong_white 200, water 310, salt 13",
        "levain 360 | levain 480-720 | mix 8 | rest 30 | shape banneton | proof 60 | bake 250x10 190x50",
    ),
    case(
        "poolish and levain",
        """
        Mixed leaven loaf

        For the poolish:
        100 g bread flour, 100 g water, a pinch of instant yeast
        For the levain:
        20 g starter, 60 g bread flour, 60 g water
        For the dough:
        600 g bread flour
        80 g whole wheat flour
        400 g water
        17 g salt

        Make poolish and levain the night before and leave them for 10 hours.
        Mix poolish, levain, flours and water. Rest 25 min. Add the salt.
        Bulk 2 1/2 h with 3 folds every 30 min. Divide in 2, shape, proof 90 min.
        Bake on a stone at 245 C for 38 min.
        """,
        "poolish: strong_white 100, water 100, instant_yeast .35; levain: levain 20, strong_white 60, water 60;"
        " final: strong_white 600, whole_wheat 80, water 400, salt 17",
        "preferment 600 | levain 600 | mix | rest 25 | bulk 150 f3x30 | divide | shape | proof 90 | bake stone 245x38",
        pieces=2,
    ),
    case(
        "sweet levain buns",
        """
        Sweet levain buns (16)

        SWEET LEVAIN
          40 g starter
          120 g strong flour
          60 g water
          20 g sugar
        DOUGH
          500 g strong flour
          180 g milk
          3 eggs
          80 g sugar
          9 g salt
          120 g butter

        Levain: 8 hours at 26 °C.
        Dough: knead all but the butter for 10 minutes in a stand mixer, add the butter and knead 8 minutes more.
        Rise 3 hours, then chill overnight. Divide into 16 buns, shape, tray. Proof 4 hours until puffy.
        Brush with egg wash. Bake 14 minutes at 190 °C.
        """,
        "levain: levain 40, strong_white 120, water 60, sugar 20;"
        " final: strong_white 500, milk 180, egg 150, sugar 80, salt 9, butter 120",
        "levain 480 | mix | knead planetary_mixer 18 | bulk 180 | bulk fridge 480-840 | divide | shape tray | proof 240"
        " | finish glaze | bake tray 190x14",
        pieces=16,
        shape="roll",
    ),
    case(
        "tangzhong tin",
        """
        Cooked-flour milk loaf

        Cooked flour
        25 g bread flour
        125 g milk

        Main dough
        375 g bread flour
        120 g milk
        1 egg
        45 g sugar
        6 g salt
        6 g instant yeast
        40 g butter

        Stir flour and milk over low heat until thick, cool for 30 minutes.
        Knead everything 15 minutes by machine. Rise 1 hour until doubled.
        Divide in 3, rest 15 minutes, roll up, place in a tin. Proof 50 minutes.
        Bake at 175 °C for 32 minutes.
        """,
        "scald: strong_white 25, milk 125;"
        " final: strong_white 375, milk 120, egg 50, sugar 45, salt 6, instant_yeast 6, butter 40",
        "scald 30 | mix | knead planetary_mixer 15 | bulk +100 | divide | bench_rest 15 | shape tin | proof 50"
        " | bake tin 175x32",
        shape="pan_loaf",
    ),
    case(
        "old dough sticks",
        """
        Sticks with old dough

        Old dough: 200 g bread flour, 130 g water, 4 g salt, 1 g instant yeast

        Dough: 800 g bread flour, 560 g water, 16 g salt, 4 g instant yeast, the old dough

        Mix 8 minutes on speed two. Bulk fermentation 60 minutes. Divide at 300 g. Preshape, rest 25 minutes, shape as baguettes.
        Final proof 50 minutes on a couche. Slash. 240 °C with steam, 23 minutes.
        """,
        "old_dough: strong_white 200, water 130, salt 4, instant_yeast 1;"
        " final: strong_white 800, water 560, salt 16, instant_yeast 4",
        "preferment ripe | mix 8 | bulk 60 | divide | preshape | bench_rest 25 | shape | proof couche 50 | score | bake 240x23",
        scaling_weight_g=300,
        shape="baguette",
    ),
    case(
        "seeded soaker",
        """
        Seeded pot loaf

        Soaker (cold, overnight): 60 g sunflower seeds, 40 g sesame seeds, 100 g water
        Dough: 450 g strong white flour, 150 g wholemeal flour, 400 g water, 12 g salt, 130 g ripe levain

        Soak the seeds overnight.
        Autolyse flour and water 1 hour. Add levain and salt, mix. After 30 minutes fold in the seeds.
        Rise for 4 hours altogether. Shape. Retard at 4 °C for 14 hours. Pot: 245 °C 22 min covered, 22 min uncovered at 225 °C.
        """,
        "soaker: seeds 100, water 100; final: strong_white 450, whole_wheat 150, water 400, salt 12, levain 130",
        "soak 480-840 | autolyse 60 | mix | bulk 240 f1x30 | shape | proof fridge 840"
        " | bake lidded_cast_iron 245x22c 225x22",
    ),
    case(
        "biga half and half",
        """
        Olive slippers

        Biga (day 1)
        250 g plain flour
        125 g water
        0.5 g instant yeast

        Day 2
        250 g strong white flour
        260 g water
        10 g salt
        1 g instant yeast
        120 g olives, pitted

        Day 1: mix the biga, leave 18 h at 17 °C.
        Day 2: mix everything but the olives in a spiral mixer for 10 min. Add the olives.
        Bulk 2 h 30, letter fold at 45 and 90 min. Cut 4 pieces. Proof 40 min. 245 °C on the stone for 20 min.
        """,
        "biga: plain_white 250, water 125, instant_yeast .5;"
        " final: strong_white 250, water 260, salt 10, instant_yeast 1, fruit 120",
        "preferment 1080 | mix spiral_mixer 10 | bulk 150 f2x45letter | divide | proof 40 | bake stone 245x20",
        pieces=4,
    ),
    case(
        "wet poolish",
        """
        Poolish (150 % water)
        100 g strong white flour
        150 g water
        0.5 g instant yeast

        Dough
        400 g strong white flour
        200 g water
        10 g salt

        Poolish 10 h. Mix, knead 7 min, bulk 3 h, shape, proof 1 h, bake 230 °C 35 min.
        """,
        "poolish: strong_white 100, water 150, instant_yeast .5; final: strong_white 400, water 200, salt 10",
        "preferment 600 | mix | knead 7 | bulk 180 | shape | proof 60 | bake 230x35",
    ),
    case(
        "potato bread",
        """
        Potato loaf

        250 g boiled potatoes, mashed
        500 g strong white flour
        220 g of the potato water, cooled
        20 g butter
        11 g salt
        6 g dried yeast

        Mix, knead for 10 minutes, rise for 1 hour, shape, dust with flour, rise for 35 minutes.
        Bake at 210 C for 40 minutes. The loaf is done at 96 C inside.
        """,
        "final: potato 250, strong_white 500, water 220, butter 20, salt 11, active_dry_yeast 6",
        "mix | knead 10 | bulk 60 | shape | finish flour | proof 35 | bake 210x40 core96",
    ),
    case(
        "yoghurt flatbreads",
        """
        Yoghurt flatbreads

        300 g plain flour
        150 g yoghurt
        60 g water
        6 g salt
        3 g instant yeast
        15 g oil

        Knead 5 minutes. Rise 1 hour. Divide into 6, roll flat, bake on a hot steel at 270 °C for 4 minutes.
        """,
        "final: plain_white 300, yoghurt 150, water 60, salt 6, instant_yeast 3, oil 15",
        "mix | knead 5 | bulk 60 | divide | shape | bake steel 270x4",
        pieces=6,
        shape="flat_round",
    ),
    case(
        "walnut cider",
        """
        Walnut and cider bread

        350 g strong white flour
        150 g rye flour
        340 ml dry cider
        150 g levain
        10 g salt
        100 g walnuts, toasted

        Mix all but the nuts and leave 40 min. Knead in the nuts. 4 h at room temperature with 2 folds, one hour apart.
        Shape, proof 2 h. Cut a cross. Bake with steam 15 min at 240 °C, 25 min at 210 °C on the stone.
        """,
        "final: strong_white 350, rye 150, cider 340, levain 150, salt 10, nuts 100",
        "mix | rest 40 | knead | bulk 240 f2x60 | shape | proof 120 | score | bake stone 240x15 210x25",
    ),
    case(
        "fruit loaf",
        """
        Fruited tea loaf

        450 g strong white flour
        1 tsp mixed spice
        50 g sugar
        7 g instant yeast
        8 g salt
        280 g milk
        50 g butter
        150 g raisins (optional)
        apricot jam to glaze

        Knead 10 min, add the raisins. Rise till doubled, about 1 1/2 h. Shape, into a tin. Rise 1 h. Bake 40 min at 180 °C. Brush with jam while hot.
        """,
        "final: strong_white 450, sugar 50, instant_yeast 7, salt 8, milk 280, butter 50, fruit 150, other 2.5; aside: other ?",
        "mix | knead 10 | bulk +100 | shape tin | proof 60 | bake tin 180x40 | finish glaze",
    ),
    case(
        "stone oven rounds",
        """
        Thin rounds, 4 x 250 g

        620 g plain flour
        385 g water
        15 g salt
        0.6 g instant yeast

        Mix, knead 10 min, leave 8 hours at room temperature.
        Divide into 4, round, leave 5 hours covered in boxes.
        Open by hand, top, bake at 300 °C on the stone for 5 minutes, turning once.
        """,
        "final: plain_white 620, water 385, salt 15, instant_yeast .6",
        "mix | knead 10 | bulk 480 | divide | shape box | proof 300 | finish topping | bake stone 300x5",
        pieces=4,
        scaling_weight_g=250,
        shape="flat_round",
    ),
    case(
        "parbaked rolls",
        """
        Keeping rolls

        500 g strong white flour
        310 g water
        10 g salt
        8 g instant yeast
        15 g malt extract

        Mix 4 min slow, 6 min fast in a spiral mixer. Rest 20 min. Divide in 9, round, proof 45 min on a tray.
        Score. Bake 8 min at 230 °C with steam, then 8 min at 210 °C with the door ajar.
        """,
        "final: strong_white 500, water 310, salt 10, instant_yeast 8, malt 15",
        "mix spiral_mixer 10 | rest 20 | divide | shape | proof tray 45 | score | bake tray 230x8 210x8",
        pieces=9,
        shape="roll",
    ),
]
