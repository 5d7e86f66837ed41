"""The log: plain lines for people, or a JSON object a line; never a passcode, a note or a photo."""

import json
import logging
from datetime import UTC, datetime
from typing import Literal

_OWN = ("request", "method", "path", "status", "ms")


class _Json(logging.Formatter):
    def format(self, record: logging.LogRecord) -> str:
        """One line."""
        line = {
            "at": datetime.fromtimestamp(record.created, UTC).isoformat(timespec="milliseconds"),
            "level": record.levelname,
            "name": record.name,
            "text": record.getMessage(),
            **{name: getattr(record, name) for name in _OWN if hasattr(record, name)},
        }
        if record.exc_info:
            line["traceback"] = self.formatException(record.exc_info)
        return json.dumps(line, ensure_ascii=False)


def set_up(style: Literal["plain", "json"], level: str) -> None:
    """Write the program's log to standard error."""
    handler = logging.StreamHandler()
    plain = logging.Formatter("%(asctime)s %(levelname)s %(name)s: %(message)s")
    handler.setFormatter(_Json() if style == "json" else plain)
    root = logging.getLogger()
    root.handlers[:] = [handler]
    root.setLevel(level)
