"""The routes, one module for each place of the app."""
