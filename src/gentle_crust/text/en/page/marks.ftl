marks-title = Where to look
