# What is said of a slice that was read from a photo.

crumb-photo-size = The photo is larger than 40 MB or 120 million points.
    .remedy = Make it smaller.
crumb-no-photo = That is no photo that can be read.
    .remedy = Give a JPEG, PNG, WebP or HEIC file.
crumb-no-file = { $name } cannot be opened.
    .remedy = Give the path of a photo.
crumb-missing = The { $what } is missing.
    .remedy = Write: gentle-crust crumb PHOTO --width-mm 120.
