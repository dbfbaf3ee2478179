"""A bake at a moment, worked out once: where it stands, what its thermometers tell, what comes next."""
