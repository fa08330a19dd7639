"""The referee: every manner of corner, at twelve turns, to both sides, on straight and curved legs, with each
built-in brush, looked at from outside. A short form is in the tests; `make referee` looks at all of it and
writes docs/referee.md."""
