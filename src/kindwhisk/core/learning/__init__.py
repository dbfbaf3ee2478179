"""What this kitchen's own bakes teach: every learned figure by one mechanism."""
