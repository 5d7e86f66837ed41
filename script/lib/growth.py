"""How long the answers take that a baker asks for all day, in an empty kitchen and in one grown large."""

import tempfile
import time
from pathlib import Path

from fill import NOW, base, grow

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.store.database import FILE, open_store

SIZES = (0, 100, 1000, 10_000)
ASKED = {
    "bench": "/api/bench", "next": "/api/next", "plans": "/api/plans", "a plan": f"/api/plans/{demo.TOMORROW_PLAN}",
    "formulas": "/api/formulas", "cultures": "/api/cultures", "bakes": "/api/bakes", "score": "/api/bench/score",
    "bakes by words": "/api/bakes?name=crackling+crumb", "bakes of a season": "/api/bakes?season=sep_nov",
    "history": "/api/formulas/tidewater-country/history", "figures": "/api/bakes/figures", "learning": "/api/learning",
}  # fmt: skip
TURNS = 15


def _ms(act, turns: int = TURNS) -> float:
    """The best of some turns in milliseconds, after two to warm up: whatever else the machine does only adds to it."""
    times = []
    for _ in range(turns + 2):
        begun = time.perf_counter()
        act()
        times.append(1000 * (time.perf_counter() - begun))
    return min(times[2:])


def measured(folder: Path) -> dict[str, float]:
    """Milliseconds an answer of a kitchen, and its size in MB."""
    sessions = open_store(folder)
    client = create_app(sessions, lambda: NOW).test_client()
    dough = client.get("/api/bench").json["doughs"][0]["id"]

    def get(path: str) -> None:
        if client.get(path).status_code != 200:
            raise RuntimeError(path)

    def press() -> None:
        each = {"id": f"g{time.monotonic_ns()}", "dough": dough, "kind": "bake_note", "at": NOW.isoformat(),
                "body": {"text": "Warm."}}  # fmt: skip
        answer = client.post("/api/bench/presses", json={"sent_at": NOW.isoformat(), "presses": [each]})
        if answer.json["taken"] != [each["id"]]:
            raise RuntimeError(answer.json)

    found = {name: _ms(lambda path=path: get(path)) for name, path in ASKED.items()}
    found["press"] = _ms(press)
    baked = [line["id"] for line in client.get("/api/bakes").json["bakes"] if line["state"] == "baked"][:6]
    beside = f"/api/bakes/compare?of={','.join(baked)}"
    found["six side by side"] = _ms(lambda: get(beside)) if len(baked) == 6 else 0.0
    sessions.kw["bind"].dispose()
    return found | {"MB": (folder / FILE).stat().st_size / 1e6}


def table() -> list[str]:
    """The growth table, a line an answer."""
    found = {}
    with tempfile.TemporaryDirectory() as scratch:
        for size in SIZES:
            folder = Path(scratch) / str(size)
            if size:
                grow(folder, size)
            else:
                base(folder, 20)
            found[size] = measured(folder)
    names = [*ASKED, "six side by side", "press", "MB"]
    lines = ["| finished bakes | " + " | ".join(str(size) for size in SIZES) + " | grows |"]
    lines.append("|---" * (len(SIZES) + 2) + "|")
    for name in names:
        times = [found[size][name] for size in SIZES]
        lines.append(
            f"| {name} | " + " | ".join(f"{each:.1f}" for each in times) + f" | {times[-1] / times[0]:.2f} times |"
            if times[0]
            else f"| {name} | " + " | ".join(f"{each:.1f}" for each in times) + " | |"
        )
    return lines


if __name__ == "__main__":
    print("\n".join(table()))
