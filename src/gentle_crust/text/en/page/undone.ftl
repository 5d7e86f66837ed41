undone-undo = Undo the last change
