"""The one family of errors that people can cause."""


class CurletError(Exception):
    """Something a person can put right. The message says what happened and what to do."""


class BadInput(CurletError):
    """A value or file that cannot be used as it is."""


class NoLength(BadInput):
    """A path of no length."""


class TooMuch(BadInput):
    """A size, depth or count over a stated limit."""
