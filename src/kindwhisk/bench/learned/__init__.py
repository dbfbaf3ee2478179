"""What bakes teach of every figure: dots from what happened, and questions about what lies far off."""
