"""The bench in the workshop: readings, work, pieces and what is seen land here, and the bench is drawn."""
