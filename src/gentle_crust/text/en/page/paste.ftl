paste-title = A written recipe
paste-lead = Paste its ingredients, a line each. Cups and spoons become grams, with how sure that is.
paste-name = Name
paste-text = Ingredients
paste-example =
    3 1/2 cups bread flour
    1 1/2 cups warm water
    2 tsp salt
    1 packet dry yeast
paste-cup = A cup is
paste-flour = Flour goes into the cup
paste-salt = A spoon of salt is
paste-ounces = Ounces of a liquid are
paste-unknown = Not known
paste-spooned = Spooned
paste-scooped = Scooped
paste-table = Table
paste-fineSea = Fine sea
paste-flaky = Flaky
paste-weight = Weight
paste-volume = Volume
paste-percents-hydration = Water
paste-percents-salt = Salt
paste-percents-yeast = Yeast
paste-unread = Not read; write it another way, or leave it out:
paste-nothing = What is read appears here.
paste-take = Make it a formula
