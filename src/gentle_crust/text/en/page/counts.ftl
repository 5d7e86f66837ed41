## counts: by code

counts-overall = Of all flour. The flour in levain and other preferments is counted.
counts-hydration = All water over all flour. The levain’s water and flour are counted, and the water in milk, butter and honey.
counts-mixed = Of the flour that goes into the bowl here. What is in levain or other preferments is not counted.
counts-own = Of the flour in this preferment alone.
counts-share = How much of all flour ferments first, in this preferment. Levain as dough weighs more: flour and water.
