app = Gentle Crust
earlier = Show earlier ones
loading = One moment
failed = The program does not answer. Is it still running?
again = Try again
undo = Bring it back
