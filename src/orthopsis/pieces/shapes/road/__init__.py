"""What lies on a way: dashes along its middle, kerbs beside it, a crossing over it."""
