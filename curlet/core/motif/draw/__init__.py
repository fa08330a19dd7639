"""Drawing a motif: figures, copies, grades, dotted edges, shapes combined; each a function of artwork."""
