"""What every module speaks in: a value, a figure with its range, a band, a refusal."""
