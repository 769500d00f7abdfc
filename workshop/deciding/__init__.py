"""Deciding in the workshop: decisions, waivers and the signature."""
