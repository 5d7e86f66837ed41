# What is said of a slice that was read from a photo.

crumb-photo-size = The photo is larger than 40 MB or 120 million points.
    .remedy = Make it smaller.
crumb-no-photo = That is no photo that can be read.
    .remedy = Give a JPEG, PNG, WebP or HEIC file.
crumb-no-file = { $name } cannot be opened.
    .remedy = Give the path of a photo.
crumb-missing = The { $what } is missing.
    .remedy = Write: gentle-crust crumb PHOTO --width-mm 120.
crumb-not-measured = The photo could not be measured.
    .remedy = Try it once more, or with a smaller photo.
crumb-photo-gone = The photo is no longer there.
    .remedy = Take it again.
crumb-unlike = Holes so few and so large are hardly those of a crumb. Does this photo show a loaf that is cut?
crumb-quality-dark = The photo is too dark to measure. Daylight from the side shows holes best.
crumb-quality-flat = Crumb and holes are of one brightness here. Light from the side makes holes dark.
crumb-quality-blurred = The photo is blurred: small holes would be missed.
crumb-quality-small = The slice takes too little of the photo. Come nearer.
crumb-quality-oblique = The slice lies askew, or was taken from one side: its holes are not as large as they look. Take it from straight above, its base level.
crumb-quality-no-slice = No slice was found. Lay it flat on a plain ground that is darker or lighter than the crumb.
