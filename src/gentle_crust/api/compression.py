"""What is sent, made small: files of the build as they were packed with it, longer answers packed as they leave."""

import gzip
from pathlib import Path

from flask import Flask, Response, request

LEAST_BYTES = 1000
"""Smaller answers are not worth it."""
LEVEL = 5
"""Of gzip: beyond it an answer shrinks by a hundredth and takes twice as long."""
PACKED = (("br", ".br"), ("gzip", ".gz"))
KINDS = ("application/json", "application/problem+json", "text/calendar", "text/csv", "text/plain")


def packed(folder: Path, name: str) -> tuple[str, str]:
    """The file to send for ``name`` to whoever asks now, and how it is packed; unpacked if that is all there is."""
    for encoding, ending in PACKED:
        if request.accept_encodings.quality(encoding) > 0 and (folder / f"{name}{ending}").is_file():
            return f"{name}{ending}", encoding
    return name, ""


def pack_answers(app: Flask) -> None:
    """Pack what leaves the API, for whoever takes it so."""

    @app.after_request
    def pack(response: Response) -> Response:
        if response.is_streamed or response.mimetype not in KINDS:
            return response
        response.vary.add("Accept-Encoding")
        if request.accept_encodings.quality("gzip") <= 0 or "Content-Encoding" in response.headers:
            return response
        if response.status_code == 200 and (response.content_length or 0) >= LEAST_BYTES:
            response.set_data(gzip.compress(response.get_data(), LEVEL, mtime=0))
            response.headers["Content-Encoding"] = "gzip"
        return response
