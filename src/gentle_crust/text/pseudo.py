"""A language that nobody speaks: English made longer and accented, to see what is not translated and what is cut."""

import re

PSEUDO = "qps"
"""The name of this language, out of the range that is set apart for private use."""
OPENS, CLOSES = "⟦", "⟧"
ACCENTED = str.maketrans("aceinouyACEINOUY", "åçéîñöûýÅÇÉÎÑÖÛÝ")
_WORD = re.compile(r"[A-Za-z]{2}")


def _padding(letters: int) -> str:
    """A third more, in words of five."""
    whole, rest = divmod(max(2, round(0.3 * letters)), 5)
    return " ".join(["~" * 5] * whole + (["~" * rest] if rest else []))


def catalogue(text: str) -> str:
    """A whole catalogue so. ValueError for one that cannot be read."""
    from fluent.syntax import FluentParser, FluentSerializer, ast
    from fluent.syntax.visitor import Transformer

    class Stretch(Transformer):
        def visit_Pattern(self, node: ast.Pattern) -> ast.Pattern:  # noqa: N802 - the library's name
            node = self.generic_visit(node)
            words = [each for each in node.elements if isinstance(each, ast.TextElement)]
            if any(_WORD.search(each.value) for each in words):
                letters = sum(len(each.value) for each in words)
                for each in words:
                    each.value = each.value.translate(ACCENTED)
                node.elements.insert(0, ast.TextElement(OPENS))
                node.elements.append(ast.TextElement(" " + _padding(letters) + CLOSES))
            return node

    return str(FluentSerializer().serialize(Stretch().visit(FluentParser().parse(text))))
