"""A running bake: append-only events, and a state that is nothing but a projection of them."""
