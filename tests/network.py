"""A kitchen on a network of the test's own making."""

import shutil
import subprocess
import sys

import pytest

from gentle_crust import lan

OWN = "198.51.100.7"
PASSCODE = "abcd-efgh-jkmn"


def on_own_network(call: str, *arguments: object) -> None:
    """Run ``module:function`` with some arguments and the address of a network that only it sees; skip if none can be.

    Where no such network may be made it runs here, on an address that this machine has already.
    """
    module, name = call.split(":")
    script = f"import sys; sys.path[:0] = {sys.path!r}\nfrom pathlib import *\nfrom {module} import {name}\n"
    script += f"{name}({', '.join(map(repr, arguments))}, own={OWN!r})\n"
    commands = f'ip link set lo up && ip addr add {OWN}/32 dev lo && exec {sys.executable} -c "$0"'
    if shutil.which("unshare") and shutil.which("ip"):
        found = subprocess.run(
            ["unshare", "--net", "--user", "--map-root-user", "sh", "-c", commands, script],
            capture_output=True,
            text=True,
        )
        if "unshare failed" not in found.stderr and "Operation not permitted" not in found.stderr:
            assert found.returncode == 0, found.stderr[-3000:]
            return
    reached = lan.addresses()
    if not reached:
        pytest.skip("this machine has no network and may not make one")
    getattr(sys.modules[module], name)(*arguments, own=reached[0])
