"""What lies on the floor of a room and on its walls: tiles, rugs, pictures, doors and windows."""
