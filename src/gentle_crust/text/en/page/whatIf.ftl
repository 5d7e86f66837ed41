whatIf-title = What if
