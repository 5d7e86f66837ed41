read-title = Read the dough
read-how = How it was read
read-measures-percent = By eye
read-measures-line_ml = Line on the box
read-measures-heights_mm = Sample jar
read-measures-celsius = Thermometer
read-measures-ready = Poked: ready

## read-kinds: by code

read-kinds-rise_eye = by eye
read-kinds-rise_box = on the box
read-kinds-rise_jar = in the jar
read-kinds-dough_c = thermometer
read-kinds-ready = judged

##

read-rise = It has risen
read-line = It stands at
read-first = At first
read-height = Now
read-warm = The dough
read-at = At
read-log = Log it
read-sure = Log it, I am sure
read-wasReady = ready
read-moved = What comes later has moved.
read-notCounted = It does not count until you log it as sure.
