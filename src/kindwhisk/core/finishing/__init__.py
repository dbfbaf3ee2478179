"""What follows the oven: rolling and soaking."""
