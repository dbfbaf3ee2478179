"""What follows the oven, in lengths and grams: cut, soak, fill, roll, line, coat, share out."""
