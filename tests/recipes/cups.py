"""Recipes in cups, spoons, ounces and packets."""

from tests.recipes.case import case

CUPS = [
    case(
        "aunt's tin",
        """
        Everyday tin bread

        3 1/2 cups bread flour
        1 1/4 cups warm water
        2 tablespoons butter, melted
        1 tablespoon sugar
        1 1/2 teaspoons salt
        1 packet active dry yeast

        Dissolve the yeast in the warm water with the sugar and let stand 10 minutes.
        Stir in the flour, butter and salt.
        Turn out and knead for 8 to 10 minutes.
        Place in a greased bowl, cover and let rise until doubled, about 1 hour.
        Punch down, shape into a loaf and place in a greased 9x5 inch loaf pan.
        Let rise 45 minutes.
        Bake at 375°F for 35 minutes. Turn out and cool on a rack.
        """,
        "final: strong_white 437, water 296, butter 28, sugar 12.6, salt 8.3, active_dry_yeast 7",
        "mix | knead 8-10 | bulk +100 | knock_back | shape tin | proof 45 | bake tin 190x35 | cool",
        yeast_woken=True,
        shape="pan_loaf",
    ),
    case(
        "one bowl overnight",
        """
        Overnight pot bread

        3 cups all-purpose flour
        1 1/2 tsp salt
        1/4 tsp instant yeast
        1 1/2 cups water

        Mix everything with a spoon. Cover and leave on the counter for 12-18 hours.
        Scrape onto a floured board, fold over itself twice and shape into a ball.
        Let rise for 2 hours.
        Heat the oven and a lidded cast iron pot to 450 F.
        Bake 30 minutes covered, then remove the lid and bake 15 minutes more.
        """,
        "final: plain_white 375, salt 8.3, instant_yeast .78, water 355",
        "mix | bulk 720-1080 | fold x2 | shape | proof 120 | bake lidded_cast_iron 230x30c 230x15",
        shape="boule",
    ),
    case(
        "oatmeal milk bread",
        """
        OATMEAL MILK BREAD

        1 cup rolled oats
        1 cup boiling water
        1 cup milk
        1/4 cup honey
        3 tbsp butter
        4 cups bread flour
        2 tsp table salt
        2 1/4 tsp instant yeast

        Pour the boiling water over the oats and leave until lukewarm, 30 minutes.
        Add everything else and knead 10 minutes with the mixer.
        Rise until doubled, 1 hour. Divide in 2, shape, put in two tins.
        Rise 45 min. Bake at 350 °F for 40 min.
        """,
        "scald: seeds 90, water 237; final: milk 244, honey 84, butter 42, strong_white 500, salt 12, instant_yeast 7",
        "scald 30 | mix | knead planetary_mixer 10 | bulk +100 | divide | shape tin | proof 45 | bake tin 175x40",
        pieces=2,
    ),
    case(
        "weights beside cups",
        """
        White loaf

        3 cups (360 g) all-purpose flour
        1 cup plus 2 tbsp (270 g) water
        1 1/4 tsp (7 g) salt
        3/4 tsp (2 g) instant yeast

        Mix, let rest 15 minutes, knead 5 minutes.
        Rise 2 hours, folding once after 1 hour.
        Shape, rise 1 hour, bake at 450F for 30 minutes.
        """,
        "final: plain_white 360, water 270, salt 7, instant_yeast 2",
        "mix | rest 15 | knead 5 | bulk 120 f1x60 | shape | proof 60 | bake 230x30",
    ),
    case(
        "pounds and ounces",
        """
        Wharf loaf

        1 lb 8 oz strong white flour
        15 fl oz water
        1/2 oz salt
        1/2 oz fresh yeast
        1 oz lard

        Rub the lard into the flour. Mix to a dough and knead 10 minutes.
        Prove 1 1/2 hours, knock back, prove 30 minutes more.
        Divide into 2 and mould. Put in 2 tins, prove 50 minutes.
        Bake at gas mark 8 for 30 minutes.
        """,
        "final: strong_white 680, water 444, salt 14.2, fresh_yeast 14.2, butter 28.3",
        "mix | knead 10 | bulk 90 | knock_back | bulk 30 | divide | shape tin | proof 50 | bake tin 230x30",
        pieces=2,
    ),
    case(
        "heaped and scant",
        """
        Soda-free brown loaf

        2 heaped cups whole wheat flour
        1 scant cup bread flour
        a heaped teaspoon of sugar
        1 level teaspoon salt
        two tablespoons of olive oil
        1 1/3 cups water
        1 teaspoon instant yeast

        Mix and knead for a quarter of an hour. Leave for two hours. Shape into a tin, leave for an hour. Bake for 40 minutes at 400 F.
        """,
        "final: whole_wheat 387, strong_white 115, sugar 6.5, salt 5.5, oil 27, water 315, instant_yeast 3.1",
        "mix | knead 15 | bulk 120 | shape tin | proof 60 | bake tin 205x40",
    ),
    case(
        "words for numbers",
        """
        Spoken-out loaf

        three cups of bread flour
        a cup and a half of water
        two thirds of a cup of whole wheat flour
        one and a half teaspoons of salt
        half a teaspoon of instant yeast
        a tablespoon and a half of honey

        Mix; cover; eight hours on the counter.
        Fold, shape, one hour in a basket.
        Twenty-five minutes at four hundred and fifty degrees in a hot covered pot, fifteen more without the lid.
        """,
        "final: strong_white 375, water 355, whole_wheat 83, salt 8.3, instant_yeast 1.55, honey 32",
        "mix | bulk 480 | fold x1 | shape banneton | proof 60 | bake lidded_cast_iron 230x25c 230x15",
    ),
    case(
        "fractions of packets",
        """
        Half-packet loaf

        1/2 an 8 g packet of instant yeast
        half a pound of bread flour
        3/4 cup water
        1 teaspoon fine sea salt

        Knead everything for 10 minutes. Rise 1 hour. Shape. Rise 40 minutes. Bake at 425 F for 25 minutes.
        """,
        "final: instant_yeast 4, strong_white 227, water 177, salt 5.5",
        "mix | knead 10 | bulk 60 | shape | proof 40 | bake 220x25",
    ),
    case(
        "starter by the cup",
        """
        Sunday sourdough

        1 cup bubbly sourdough starter
        1 1/2 cups lukewarm water
        4 cups unbleached all-purpose flour
        1/2 cup whole wheat flour
        2 teaspoons sea salt

        Combine starter, water and flours. Rest 45 minutes. Work in the salt.
        Stretch and fold every half hour, 3 times. Let rise until almost doubled, 4 to 6 hours.
        Shape into a round loaf, place in a floured towel-lined bowl and refrigerate overnight.
        Preheat a dutch oven at 475F. Bake 25 minutes covered and 20 minutes uncovered.
        """,
        "final: levain 225, water 355, plain_white 500, whole_wheat 62, salt 11",
        "mix | rest 45 | bulk +90 f3x30 | shape banneton | proof fridge 480-840 | bake lidded_cast_iron 245x25c 245x20",
        shape="boule",
    ),
    case(
        "twisted egg loaf",
        """
        Braided egg bread

        4 1/2 cups bread flour
        3/4 cup warm water
        1/3 cup vegetable oil
        1/3 cup sugar
        3 large eggs
        1 egg yolk, for the glaze
        2 tsp salt
        1 tbsp instant yeast
        sesame seeds for the top

        Mix all but the glaze and seeds. Knead 10 minutes. Let rise 1 1/2 hours until doubled.
        Divide into six strands, braid into two loaves, place on a baking sheet.
        Let rise 45 minutes. Brush with the yolk and sprinkle with sesame seeds.
        Bake 30 minutes at 350F.
        """,
        "final: strong_white 562, water 177, oil 72, sugar 67, egg 150, salt 11, instant_yeast 9.3;"
        " aside: egg 18, seeds ?",
        "mix | knead 10 | bulk +100 | divide | shape tray | proof 45 | finish glaze | finish seeds | bake tray 175x30",
    ),
    case(
        "corn bread with yeast",
        """
        Corn pan bread

        1 cup cornmeal
        1 cup boiling water
        3 cups flour
        1/2 cup buttermilk
        2 tsp sugar
        1 1/2 tsp salt
        2 1/4 teaspoons active dry yeast
        2 tbsp oil

        Scald the cornmeal with the boiling water and let it cool for an hour.
        Beat in the rest. Knead 6 minutes. Rise till doubled.
        Shape into a pan and rise again 50 minutes. Bake 35 to 40 minutes at 375 degrees F.
        """,
        "scald: maize 137, water 237;"
        " final: plain_white 375, milk 122, sugar 8.4, salt 8.3, active_dry_yeast 7, oil 27",
        "scald 60 | mix | knead 6 | bulk +100 | shape tin | proof 50 | bake tin 190x35-40",
    ),
    case(
        "metric cup rolls",
        """
        Tea rolls

        500g (4 cups) plain flour
        250ml (1 cup) warm milk
        1 egg
        60 g butter, softened
        1/4 cup caster sugar
        1 tsp salt
        1 sachet (7g) dried yeast

        Warm the milk, stir in the yeast. Add everything, knead until smooth, 10 minutes.
        Prove in a warm place for 1 hour. Shape into 10 rolls. Prove for 30 minutes. Bake at 190°C (fan 170°C) for 15-18 minutes.
        """,
        "final: plain_white 500, milk 257, egg 50, butter 60, sugar 50, salt 5.5, active_dry_yeast 7",
        "mix | knead 10 | bulk warm 60 | shape | proof 30 | bake 190x15-18",
        pieces=10,
        shape="roll",
    ),
    case(
        "three rounds nine inch",
        """
        Makes three 9-inch rounds

        4 cups bread flour
        1 1/2 cups cold water
        2 tsp salt
        1/2 tsp instant yeast
        2 tablespoons olive oil

        Mix, rest 20 minutes, knead 4 minutes. Refrigerate for 24 hours.
        Divide into three, ball up, let warm for 2 hours.
        Roll out, bake on a steel at 500F for 8 minutes.
        """,
        "final: strong_white 500, water 355, salt 11, instant_yeast 1.55, oil 27",
        "mix | rest 20 | knead 4 | bulk fridge 1440 | divide | shape | warm_up 120 | bake steel 260x8",
        pieces=3,
        shape="flat_round",
    ),
    case(
        "beer rye",
        """
        Beer rye

        2 cups bread flour
        1 1/2 cups rye flour
        1 bottle (330 ml) dark beer
        1 tablespoon molasses
        1 tablespoon cider vinegar
        2 tsp caraway seeds
        1 3/4 tsp salt
        2 tsp instant yeast

        Stir together. Knead for 6 minutes. Let rise 75 minutes. Shape into an oval, rise 45 minutes on a baking sheet.
        Slash. Bake at 400F for 35 minutes.
        """,
        "final: strong_white 250, rye 158, beer 330, honey 21, vinegar 15, seeds 5.9, salt 9.6, instant_yeast 6.2",
        "mix | knead 6 | bulk 75 | shape tray | proof 45 | score | bake tray 205x35",
        shape="batard",
    ),
]
