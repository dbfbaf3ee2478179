"""Cautions with their reasons, and the guidance for egg beside what was measured."""
