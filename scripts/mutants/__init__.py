"""Wrong lines, tried one by one: `make mutants` says how many of them the tests notice."""
