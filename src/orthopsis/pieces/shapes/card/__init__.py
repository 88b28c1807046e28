"""What is drawn by hand: flat as a card, parallel to the picture plane, shown and never judged."""
