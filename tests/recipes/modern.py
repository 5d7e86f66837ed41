"""Recipes in grams, with their methods."""

from tests.recipes.case import case

MODERN = [
    case(
        "harbour tin",
        """
        Harbour tin loaf

        500 g strong white flour
        320 g water
        10 g salt
        7 g instant yeast
        25 g soft butter

        1. Mix everything in a large bowl until no dry flour is left.
        2. Knead by hand for 10 minutes.
        3. Cover and leave to rise until doubled, about 1 1/2 hours.
        4. Knock back, shape and place in a greased 900 g loaf tin.
        5. Prove for 45 to 60 minutes.
        6. Bake at 220 C for 35 minutes.
        7. Cool on a wire rack for 1 hour.
        """,
        "final: strong_white 500, water 320, salt 10, instant_yeast 7, butter 25",
        "mix | knead 10 | bulk +100 | knock_back | shape tin | proof 45-60 | bake tin 220x35 | cool 60",
        pieces=1,
        shape="pan_loaf",
    ),
    case(
        "weir country",
        """
        Weir country loaf

        Levain
        25 g ripe starter
        50 g whole wheat flour
        50 g water

        Final dough
        700 g bread flour
        100 g whole rye flour
        580 g water
        18 g fine salt
        all of the levain

        Build the levain and leave it at room temperature for 5 hours.
        Mix the flours and the water and leave for 40 minutes.
        Add the levain and the salt and mix by hand.
        Bulk ferment for 4 hours at 24 C, with 4 sets of stretch and folds every 30 minutes.
        Divide into two, preshape and rest for 20 minutes.
        Shape into rounds and place in bannetons.
        Refrigerate for 12 to 16 hours.
        Score and bake in a preheated dutch oven at 245 C, 20 minutes with the lid on and 22 minutes at 230 C with the lid off.
        """,
        "levain: levain 25, whole_wheat 50, water 50; final: strong_white 700, whole_rye 100, water 580, salt 18",
        "levain 300 | autolyse 40 | mix | bulk 240 f4x30 | divide | preshape | bench_rest 20 | shape banneton"
        " | proof fridge 720-960 | score | bake lidded_cast_iron 245x20c 230x22",
        pieces=2,
        shape="boule",
    ),
    case(
        "lockside baguettes",
        """
        LOCKSIDE BAGUETTES

        Poolish (the night before):
        - 200 g strong white flour
        - 200 g water
        - 0.2 g instant yeast

        Dough:
        - 300 g strong white flour
        - 135 g water
        - 10 g salt
        - 2 g instant yeast
        - all the poolish

        Stir the poolish together and leave it for 12-14 hours at room temperature.
        Mix the dough for 5 minutes in a mixer.
        Leave to rise for 90 minutes, with two folds every 30 minutes.
        Divide into 4 pieces and preshape. Rest for 20 minutes.
        Shape into baguettes and prove in a cloth for 45 minutes.
        Slash and bake on a hot stone with steam for 22 minutes at 240 C.
        """,
        "poolish: strong_white 200, water 200, instant_yeast .2;"
        " final: strong_white 300, water 135, salt 10, instant_yeast 2",
        "preferment 720-840 | mix planetary_mixer 5 | bulk 90 f2x30 | divide | preshape | bench_rest 20 | shape couche"
        " | proof 45 | score | bake stone 240x22",
        pieces=4,
        shape="baguette",
    ),
    case(
        "mill pond sourdough",
        """
        Mill pond sourdough
        Makes 2 loaves

        800 g strong white flour
        200 g wholemeal flour
        720 ml water
        200 g active sourdough starter
        22 g sea salt

        Mix flour, water and starter. Rest 30 minutes.
        Add the salt and knead for 6 minutes.
        Leave at 25C until it has grown by half, folding 3 times at intervals of 45 minutes.
        Divide, shape and put into baskets. Chill overnight.
        Heat the oven to 250C with a cast iron pot inside for 45 minutes. Bake covered for 25 minutes, then uncover and bake for 20 minutes at 225C.
        """,
        "final: strong_white 800, whole_wheat 200, water 720, levain 200, salt 22",
        "mix | rest 30 | knead 6 | bulk +50 f3x45 | divide | shape banneton | proof fridge 480-840"
        " | bake lidded_cast_iron 250x25c 225x20",
        pieces=2,
    ),
    case(
        "ferry rye",
        """
        Ferry rye, 1 tin

        Sour:
        20 g rye starter
        180 g whole rye flour
        180 g water

        Soaker:
        80 g sunflower seeds
        60 g linseed
        140 g boiling water

        Dough:
        220 g rye flour
        100 g strong white flour
        200 g water
        12 g salt
        15 g molasses

        Mix the sour and let it ripen for 14 hours. Pour the boiling water over the seeds and leave overnight.
        Mix everything to a paste.
        Rest 15 minutes, then scrape into an oiled tin and smooth the top with a wet hand.
        Prove for 2 hours.
        Bake at 230 C for 15 minutes and at 190 C for 50 minutes.
        Leave for a day before cutting.
        """,
        "levain: levain 20, whole_rye 180, water 180; soaker: seeds 140, water 140;"
        " final: rye 220, strong_white 100, water 200, salt 12, honey 15",
        "soak 480-840 | levain 840 | mix | rest 15 | shape tin | proof 120 | bake tin 230x15 190x50 | cool 1440",
        pieces=1,
        shape="pan_loaf",
    ),
    case(
        "bridge slippers",
        """
        Bridge slippers

        Biga
        300 g strong flour
        150 g water
        1 g fresh yeast

        For the dough
        200 g strong flour
        250 g water
        10 g salt
        3 g fresh yeast
        20 g olive oil

        Biga: mix roughly, cover, 16 hours at 18 °C.
        Dough: mix the biga with the flour and 200 g of the water; add the rest of the water little by little, then the salt and oil.
        Let it rise in an oiled box for 2 1/2 hours, with coil folds after 30, 60 and 90 minutes.
        Cut into 4 slippers on a floured bench. Leave for 30 minutes.
        Bake on a baking steel at 250 °C for 18 minutes.
        """,
        "biga: strong_white 300, water 150, fresh_yeast 1;"
        " final: strong_white 200, water 250, salt 10, fresh_yeast 3, oil 20",
        "preferment 960 | mix | bulk 150 f3x30coil | divide | proof 30 | bake steel 250x18",
        pieces=4,
        shape="slipper",
    ),
    case(
        "morning rolls",
        """
        Morning rolls (12)

        600g strong white flour
        360g milk, lukewarm
        60g butter
        40g sugar
        10g salt
        9g dried yeast
        1 egg (50g)
        poppy seeds for sprinkling

        Knead in the mixer for 12 min.
        Rise 1 h until doubled.
        Divide into 12 and shape into rolls. Place on a tray.
        Prove 40 min, brush with milk and sprinkle with poppy seeds.
        Bake 15 min at 200C fan.
        """,
        "final: strong_white 600, milk 360, butter 60, sugar 40, salt 10, active_dry_yeast 9, egg 50; aside: seeds ?",
        "mix | knead planetary_mixer 12 | bulk +100 | divide | shape tray | proof 40 | finish glaze | finish seeds"
        " | bake tray 200x15f",
        pieces=12,
        shape="roll",
    ),
    case(
        "quiet week rounds",
        """
        Quiet week rounds

        1000 g very strong flour
        620 g cold water
        28 g salt
        1.5 g instant yeast
        20 g olive oil

        Mix, wait 20 minutes, knead until smooth, about 8 minutes.
        Leave in the bowl for 2 hours.
        Divide into 6 balls of 275 g and put them into a box.
        Refrigerate for 48 to 72 hours.
        Take out 3 hours before baking.
        Stretch by hand, top and bake on the stone at 280 C for 6 minutes.
        """,
        "final: very_strong_white 1000, water 620, salt 28, instant_yeast 1.5, oil 20",
        "mix | rest 20 | knead 8 | bulk 120 | divide | shape box | keep fridge 2880-4320 | warm_up 180 | finish topping"
        " | bake stone 280x6",
        pieces=6,
        shape="flat_round",
    ),
    case(
        "lamp oven loaf",
        """
        Lamp oven loaf

        450 g plain flour
        300 g water
        9 g salt
        5 g instant yeast

        Mix all the ingredients. Knead 8 minutes.
        Let rise in the oven with only the light on for 1 hour.
        Shape into a round, rise for 30 minutes under a towel.
        Put it in a cold oven, set to 220°C and bake for 45 minutes.
        """,
        "final: plain_white 450, water 300, salt 9, instant_yeast 5",
        "mix | knead 8 | bulk oven_off 60 | shape | proof 30 | bake cold 220x45",
        pieces=1,
        shape="boule",
    ),
    case(
        "spelt with honey",
        """
        Spelt with honey

        Flour: 500 g spelt flour
        Water: 310 g
        Honey: 20 g
        Salt: 10 g
        Fresh yeast: 10 g

        Combine. Rest for half an hour. Fold in the bowl three times, every 20 minutes, then leave for one hour.
        Shape and place in a basket for 50 minutes.
        Bake at 230 °C for 10 minutes with steam, then turn down to 200 °C and bake another 30 minutes.
        """,
        "final: spelt 500, water 310, honey 20, salt 10, fresh_yeast 10",
        "mix | rest 30 | bulk 120 f3x20bowl | shape banneton | proof 50 | bake 230x10 200x30",
        pieces=1,
    ),
    case(
        "granary bridge",
        """
        Granary bridge loaf - 2 x 750 g

        STAGE 1: Levain, 9 pm
        30g starter
        75g strong white flour
        75g water

        STAGE 2: Dough, 7 am
        650g strong white flour
        150g malted wheat flakes
        520g water
        16g salt

        Mix flour, flakes and water at 7 am and rest 1 hour. Mix in the levain and the salt.
        Bulk: 3½ hours, folds at 30, 60, 90 and 150 minutes.
        Divide. Shape. Proof in the fridge 18 h.
        Bake 45 min at 235°C on a stone, steam for the first 15 min.
        """,
        "levain: levain 30, strong_white 75, water 75; final: strong_white 650, seeds 150, water 520, salt 16",
        "levain ripe | autolyse 60 | mix | bulk 210 f4x30 | divide | shape | proof fridge 1080 | bake stone 235x45",
        pieces=2,
    ),
    case(
        "two flour pot",
        """
        Two-flour pot loaf

        375 g strong white flour (75 %)
        125 g whole wheat flour (25 %)
        370 g water (74 %)
        10 g salt (2 %)
        100 g levain (20 %)

        Dissolve the levain in the water. Add the flours and the salt. Mix to a shaggy dough and rest 45 minutes.
        Four sets of folds at half-hourly intervals. Then leave to ferment until it has risen by 60 %.
        Shape, basket, fridge for 10 hours.
        Preheat the pot to 250 C. 25 minutes lid on, 15 minutes lid off.
        """,
        "final: strong_white 375, whole_wheat 125, water 370, salt 10, levain 100",
        "mix | rest 45 | bulk +60 f4x30 | shape banneton | proof fridge 600 | bake lidded_cast_iron 250x25c 250x15",
        pieces=1,
    ),
    case(
        "skerry flat bread",
        """
        Skerry flat bread

        400 g strong white flour
        100 g semolina
        375 g water
        11 g salt
        4 g active dry yeast
        30 g olive oil, plus extra for the tray

        Stir the yeast into the warm water and wait 10 minutes.
        Add the rest and stir for 2 minutes.
        Rise 1.5 hours, folding every 30 minutes.
        Tip into an oiled tray, dimple, and let rise 1 hour.
        Bake 20-25 minutes at 220 C until golden.
        """,
        "final: strong_white 400, durum 100, water 375, salt 11, active_dry_yeast 4, oil 30",
        "mix 2 | bulk 90 f2x30 | shape tray | proof 60 | bake tray 220x20-25",
        yeast_woken=True,
    ),
    case(
        "oat porridge loaf",
        """
        Oat porridge loaf

        Porridge
        80 g rolled oats
        240 g boiling water

        Dough
        500 g bread flour
        250 g water
        120 g levain
        12 g salt

        Pour the boiling water on the oats, stir and let cool for 1 hour.
        Mix flour and water, rest 1 hour. Add levain and salt and the porridge.
        Bulk rise 4-5 hours.
        Preshape, wait 25 minutes, shape, and retard overnight in the fridge.
        Bake in a hot pot: 230 C, 30 minutes covered, 20 minutes open.
        """,
        "scald: seeds 80, water 240; final: strong_white 500, water 250, levain 120, salt 12",
        "scald 60 | autolyse 60 | mix | bulk 240-300 | preshape | bench_rest 25 | shape | proof fridge 480-840"
        " | bake lidded_cast_iron 230x30c 230x20",
    ),
    case(
        "late salt lean dough",
        """
        Late salt

        1 kg flour type strong white
        700 g water, plus 50 g for the salt
        20 g salt
        10 g fresh yeast

        Mix flour, 700 g water and yeast for 4 min on slow speed, rest 20 min.
        Add salt with the 50 g water and mix 4 min on fast speed.
        Bulk 2 h with one fold after 1 h. Divide 4 x 440 g. Round up, rest 15 min, shape long, final proof 60 min, bake at 240 C for 30 min.
        """,
        "final: strong_white 1000, water 750, salt 20, fresh_yeast 10",
        "mix 4 | rest 20 | knead 4 | bulk 120 f1x60 | divide | preshape | bench_rest 15 | shape | proof 60 | bake 240x30",
        pieces=4,
        shape="batard",
    ),
    case(
        "sandwich sponge",
        """
        Soft sandwich loaf

        Sponge:
        250 g strong white flour
        250 g milk
        3 g instant yeast

        Dough:
        250 g strong white flour
        60 g milk
        10 g salt
        30 g sugar
        40 g butter

        Mix sponge, stand 1 hour. Add everything else except the butter, knead 8 minutes, then knead in the butter for another 5 minutes.
        First rise: 1 hour. Shape into the tin. Second rise: until ready, about 45 minutes.
        Bake 180C for 35 minutes, until the core is 92C.
        """,
        "sponge: strong_white 250, milk 250, instant_yeast 3;"
        " final: strong_white 250, milk 60, salt 10, sugar 30, butter 40",
        "preferment 60 | mix | knead 13 | bulk 60 | shape tin | proof ready | bake tin 180x35 core92",
        pieces=1,
        shape="pan_loaf",
    ),
]
