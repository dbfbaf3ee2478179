"""Kind Whisk: the bench companion of a baker whose only leaven is air."""

__version__ = "0.1.0"
