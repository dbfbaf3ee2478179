"""This kitchen's ovens: evidence from bakes and notes, and the profile learned from it."""
