"""The card a grinder works from, and how what came back stands to it."""

from halfthou.parts.grinding.card import grinding_card
