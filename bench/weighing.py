"""How long causes are weighed. What the weighing is worth is asked by bench/causes.py: make truth."""

from causes import speed

speed()
