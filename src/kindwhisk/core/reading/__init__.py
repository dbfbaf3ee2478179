"""Reading what others wrote: an ingredient line, a method, a whole recipe, into weights and a process to confirm."""
