"""The data file kept safe: looked at before it is opened, held by one server, copied, restored."""
