"""Ten thousand requests drawn from the API's own description, right and wrong: none may end in a failure."""

import json
import os
import re
import subprocess
import sys
import tempfile
from dataclasses import dataclass
from pathlib import Path

from live import serving

ROOT = Path(__file__).parents[2]
REQUESTS = 10_000
LEFT_OUT = ("/api/backup/restore", "/api/backups/{day}/restore")
"""They replace all data, and would begin the kitchen anew under the others."""


@dataclass(frozen=True)
class Found:
    """How many requests were sent, and how many of them ended in a failure of the program."""

    sent: int
    failures: tuple[str, ...]


def throw(requests: int = REQUESTS, seed: int = 7) -> Found:
    """Send that many requests to a program of its own."""
    document = json.loads((ROOT / "docs" / "openapi.json").read_text(encoding="utf-8"))
    document["paths"] = {path: one for path, one in document["paths"].items() if path not in LEFT_OUT}
    operations = sum(len(each) for each in document["paths"].values())
    with tempfile.TemporaryDirectory() as scratch, serving() as address:
        description = Path(scratch) / "openapi.json"
        description.write_text(json.dumps(document), encoding="utf-8")
        report = Path(scratch) / "report.ndjson"
        went = subprocess.run(  # noqa: S603
            [str(Path(sys.executable).with_name("st")), "run", str(description), "--url", address,
             "--checks", "not_a_server_error", "--phases", "fuzzing", "--max-examples", str(requests // operations + 1),
             "--seed", str(seed), "--workers", "6", "--suppress-health-check", "all", "--report", "ndjson",
             "--report-ndjson-path", str(report), "--continue-on-failure", "--request-timeout", "60"],
            capture_output=True, text=True, check=False, env={**os.environ, "COLUMNS": "200"},
        )  # fmt: skip
        sent, failures = _read(report)
        if not sent:
            failures.append((went.stdout + went.stderr)[-2000:])
    return Found(sent, tuple(failures))


def _read(report: Path) -> tuple[int, list[str]]:
    """Requests that were sent and answers of 500 and above, off the runner's own report."""
    sent, failures = 0, []
    for line in report.read_text(encoding="utf-8").splitlines() if report.exists() else []:
        statuses = re.findall(r'"status_code":\s*(\d{3})', line)
        sent += len(statuses)
        if any(int(status) >= 500 and int(status) != 503 for status in statuses):
            label = re.search(r'"label":\s*"([^"]+)"', line)
            failures.append(label[1] if label else line[:200])
    return sent, failures


if __name__ == "__main__":
    found = throw(int(sys.argv[1]) if len(sys.argv) > 1 else REQUESTS)
    print(f"{found.sent} requests, {len(found.failures)} failures", *sorted(set(found.failures)), sep="\n")
    sys.exit(1 if found.failures or not found.sent else 0)
