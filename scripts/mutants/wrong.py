"""The wrong lines: where a file can be made wrong, and how it reads then."""

from __future__ import annotations

import ast
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from itertools import accumulate
from pathlib import Path as FilePath
from typing import Any

_COMPARED = {
    ast.Lt: "<=", ast.LtE: "<", ast.Gt: ">=", ast.GtE: ">", ast.Eq: "!=", ast.NotEq: "==",
    ast.In: "not in", ast.NotIn: "in", ast.Is: "is not", ast.IsNot: "is",
}  # fmt: skip
_WORKED = {
    ast.Add: "-", ast.Sub: "+", ast.Mult: "/", ast.Div: "*", ast.FloorDiv: "*", ast.Mod: "+", ast.Pow: "*",
}  # fmt: skip


@dataclass(frozen=True)
class Wrong:
    """A piece of a file, from one place to another, and what is put there instead."""

    file: str
    line: int
    start: int
    stop: int
    instead: str
    was: str

    @property
    def key(self) -> str:
        return f"{self.file}:{self.line}:{self.start}-{self.stop} {self.was!r} -> {self.instead!r}"

    def applied(self, text: str) -> str:
        """The file's text made wrong."""
        return text[: self.start] + self.instead + text[self.stop :]


def wrong_lines(root: FilePath, file: str) -> Iterator[Wrong]:
    """Every way in which a file is made wrong: a comparison, an operation, a sign, a number, a truth or a
    condition turned into another."""
    source = _Source((root / file).read_text())
    for node in _expressions(ast.parse(source.text)):
        for start, stop, instead in _WAYS.get(type(node), _no_way)(node, source):
            yield Wrong(file, node.lineno, start, stop, instead, source.text[start:stop])


class _Source:
    """A file's text, and where its expressions stand in it."""

    def __init__(self, text: str) -> None:
        self.text = text
        self._lines = text.splitlines(keepends=True)
        self._starts = [0, *accumulate(len(line) for line in self._lines)]

    def span(self, node: ast.expr) -> tuple[int, int]:
        assert node.end_lineno is not None
        assert node.end_col_offset is not None
        return self._place(node.lineno, node.col_offset), self._place(node.end_lineno, node.end_col_offset)

    def _place(self, line: int, column: int) -> int:
        # Columns are counted in bytes.
        return self._starts[line - 1] + len(self._lines[line - 1].encode()[:column].decode())

    def between(self, left: ast.expr, right: ast.expr, instead: str) -> Iterator[tuple[int, int, str]]:
        """What stands between two expressions, where that is an operator and no bracket of theirs."""
        start, stop = self.span(left)[1], self.span(right)[0]
        if not set("()[]{}#") & set(self.text[start:stop]):
            yield start, stop, f" {instead} "


Ways = Iterator[tuple[int, int, str]]


def _compared(node: ast.Compare, source: _Source) -> Ways:
    yield from source.between(node.left, node.comparators[0], _COMPARED[type(node.ops[0])])


def _worked(node: ast.BinOp, source: _Source) -> Ways:
    if type(node.op) in _WORKED:
        yield from source.between(node.left, node.right, _WORKED[type(node.op)])


def _joined(node: ast.BoolOp, source: _Source) -> Ways:
    yield from source.between(node.values[0], node.values[1], "or" if isinstance(node.op, ast.And) else "and")


def _signed(node: ast.UnaryOp, source: _Source) -> Ways:
    if isinstance(node.op, ast.Not | ast.USub):
        start, stop = source.span(node)[0], source.span(node.operand)[0]
        if "(" not in source.text[start:stop]:
            yield start, stop, ""


def _constant(node: ast.Constant, source: _Source) -> Ways:
    if isinstance(node.value, bool):
        yield *source.span(node), str(not node.value)
    elif isinstance(node.value, int | float):
        yield *source.span(node), f"({node.value!r} + 1)"


def _chosen(node: ast.IfExp, source: _Source) -> Ways:
    start, stop = source.span(node.test)
    yield start, stop, f"not ({source.text[start:stop]})"


def _no_way(node: ast.expr, source: _Source) -> Ways:
    return iter(())


_WAYS: dict[type, Callable[[Any, _Source], Ways]] = {
    ast.Compare: _compared,
    ast.BinOp: _worked,
    ast.BoolOp: _joined,
    ast.UnaryOp: _signed,
    ast.Constant: _constant,
    ast.IfExp: _chosen,
}


# What these say changes nothing that anybody could notice: how much is kept for next time, whether a class
# or a zip guards against mistakes.
_NO_MATTER = {"maxsize", "frozen", "eq", "slots", "strict"}


def _expressions(tree: ast.Module) -> Iterator[ast.expr]:
    """Expressions that run: no annotations, nothing within f-strings, and nothing that does not matter."""
    waiting: list[ast.AST] = [tree]
    while waiting:
        node = waiting.pop()
        for field, value in ast.iter_fields(node):
            if isinstance(node, ast.JoinedStr) or field in ("annotation", "returns"):
                continue
            if isinstance(node, ast.keyword) and node.arg in _NO_MATTER:
                continue
            waiting += [
                item for item in (value if isinstance(value, list) else [value]) if isinstance(item, ast.AST)
            ]
        if isinstance(node, ast.expr):
            yield node
