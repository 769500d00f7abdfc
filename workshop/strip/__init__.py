"""Door and strip in the workshop: what is told, taken off, marked, pictured and left open."""
