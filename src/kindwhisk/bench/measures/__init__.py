"""What a bake's record holds in figures: for comparing, for trends, for the question why."""
