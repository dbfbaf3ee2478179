"""What a page is told of a bake: shaping only."""
