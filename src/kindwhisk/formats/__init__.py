"""What is read and written in open formats."""
