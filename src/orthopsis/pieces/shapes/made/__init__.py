"""Things cut from a block: it is parted into cells, and some of them are taken away."""
