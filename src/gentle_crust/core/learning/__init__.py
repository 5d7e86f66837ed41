"""What a kitchen teaches: from single bakes to what its forecasts are moved by."""
