shell-rooms = Rooms
shell-skip = To the content
shell-now = now
shell-late = { $span } late
shell-theme = Screen
shell-themes-auto = As the system
shell-themes-light = Day
shell-themes-dark = Before dawn
