"""Half Thou: what the trade of engine rebuilding knows, as plain functions over plain documents."""
