"""Cast shadows of things by ruler."""
