"""What is put together stays what it is: an ordered build of parts, each with its material, place and thickness."""
