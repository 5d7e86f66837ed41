loaf-title = The loaf
loaf-lead = Press what you see and taste. Leave out what you cannot tell.
loaf-judge = Judge the loaf
loaf-part = Which part
loaf-piece = Its mark, if it has one
loaf-when = When
loaf-today = The day of the bake
loaf-day = { $day ->
    [one] One day later
   *[other] { $day } days later
 }
loaf-keeps = How it keeps
loaf-liked = Liked
loaf-outside = Outside
loaf-inside = Inside
loaf-taste = Taste
loaf-skin = Its skin
loaf-measured = Weighed and measured
loaf-out_g = Out of the oven
loaf-cut_min = Cut after
loaf-again = Bake it again
loaf-note = In your own words
loaf-keep = Keep the sheet
loaf-kept = The loaf is written down
loaf-sheets = The loaf
loaf-none = Nothing was said of it yet.
loaf-volume = { $ml } ml
loaf-density = { $g } g/ml
loaf-tall = { $ratio } high over wide
loaf-lost = { $percent } % lost
loaf-liking = liked { $of } of 5
loaf-asking = Loaves to look at
loaf-askLoaf = { $name }, { $when }: how did it come out?
loaf-askKeeping = { $name }, { $when }: how does it keep?
loaf-earlier = said before

## loaf-looks: by code

loaf-looks-form = Its shape
loaf-looks-scores = Scores
loaf-looks-blow_out = Blown out
loaf-looks-bottom = Bottom
loaf-looks-top_colour = Top
loaf-looks-base_colour = Base
loaf-looks-openness = Crumb
loaf-looks-holes = Holes
loaf-looks-walls = Their walls
loaf-looks-bite = To the bite
loaf-looks-crumb_colour = Its colour
loaf-looks-sourness = Sour
loaf-looks-flavour = Flavour
loaf-looks-crust = Crust
loaf-looks-salt = Salt
loaf-looks-keeps = Keeps

## loaf-form: by code

loaf-form-domed = domed
loaf-form-round = round
loaf-form-flat = flat
loaf-form-spread = spread
loaf-form-mushroomed = overhanging
loaf-form-caved_in = caved in

## loaf-scores: by code

loaf-scores-closed = closed
loaf-scores-opened = opened
loaf-scores-ear = with an ear
loaf-scores-tore_beside = tore beside

## loaf-blow_out: by code

loaf-blow_out-none = nowhere
loaf-blow_out-side = at the side
loaf-blow_out-top = at the top
loaf-blow_out-end = at an end
loaf-blow_out-base = at the base

## loaf-bottom: by code

loaf-bottom-flat = flat
loaf-bottom-hollow = hollow
loaf-bottom-burst = burst

## loaf-openness: by code

loaf-openness-tight = tight
loaf-openness-even_small = even, small
loaf-openness-even_medium = even, medium
loaf-openness-open = open
loaf-openness-wild = wild

## loaf-holes: by code

loaf-holes-everywhere = everywhere
loaf-holes-under_crust = under the crust
loaf-holes-middle = in the middle
loaf-holes-tunnels = tunnels
loaf-holes-dense_base = dense base
loaf-holes-ring = a ring

## loaf-walls: by code

loaf-walls-thin = thin, shiny
loaf-walls-thick = thick

## loaf-bite: by code

loaf-bite-gummy = gummy
loaf-bite-moist = moist
loaf-bite-dry = dry

## loaf-crumb_colour: by code

loaf-crumb_colour-white = white
loaf-crumb_colour-cream = cream
loaf-crumb_colour-grey = grey
loaf-crumb_colour-brown = brown

## loaf-crust: by code

loaf-crust-crackling = crackling
loaf-crust-thin = thin
loaf-crust-thick = thick
loaf-crust-leathery = leathery

## loaf-salt: by code

loaf-salt-low = too little
loaf-salt-right = right
loaf-salt-high = too much

## loaf-skins: by code

loaf-skins-blisters = blisters
loaf-skins-shine = shine
loaf-skins-flour_blotches = flour blotches

## loaf-keepings: by code

loaf-keepings-fresh = fresh
loaf-keepings-firm = firm
loaf-keepings-dry = dry
loaf-keepings-stale = stale
loaf-keepings-mould = mould

## loaf-agains: by code

loaf-agains-true = yes
loaf-agains-false = no

##

loaf-likings-0 = not
loaf-likings-1 = a little
loaf-likings-2 = well enough
loaf-likings-3 = well
loaf-likings-4 = very much
loaf-sournesses-0 = none
loaf-sournesses-1 = a hint
loaf-sournesses-2 = mild
loaf-sournesses-3 = clear
loaf-sournesses-4 = strong
loaf-sournesses-5 = sharp
loaf-flavours-0 = bland
loaf-flavours-1 = faint
loaf-flavours-2 = good
loaf-flavours-3 = rich
loaf-flavours-4 = deep

## loaf-lengths: by code

loaf-lengths-height_mm = Height
loaf-lengths-width_mm = Width
loaf-lengths-length_mm = Length
