"""Bulk fermentation and proof along the dough's temperature."""
