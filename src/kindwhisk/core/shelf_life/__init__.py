"""How long what was made keeps: time out of the cold, cooling, use-by and label. Nothing here calls food safe."""
