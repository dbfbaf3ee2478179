"""A day: several bakes over the same hands, mixers, hob, ovens and cold places."""
