"""One module a resource."""
