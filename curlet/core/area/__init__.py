"""Areas: made of closed paths, of what runs cover, and of other areas."""
