"""Scripts that make tables of the product from published sources."""
