"""Shared by all tests: a kitchen on a clock that stands at half past six on a Saturday."""

import gc
import os
import shutil
from datetime import UTC, datetime
from itertools import groupby
from zlib import crc32

import pytest

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.demo.past import remember
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store

SATURDAY = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)


OF_ROOMS, OF_MANY = 2, 4
SIZES = {"size", "viewport", "phone", "scheme"}


def pytest_collection_finish():
    """What is loaded by now stays: without looking through it again and again a run takes an eighth less."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(20_000, 20, 20)


def pytest_collection_modifyitems(config, items):
    """Of a browser test that is run at several sizes one, of one over many rooms the first and one more, of one over
    many kinds (``many``) the first and three more; of long walks (``long``) none. Whole in script/prove.

    Which ones goes by their names, so that it is the same everywhere. Tests that are named are all run.
    """
    if os.environ.get("GENTLE_CRUST_PROVE") or any("::" in each for each in config.args):
        return
    left_out = []
    for _, group in groupby(items, key=lambda item: (item.path, item.originalname)):
        runs = list(group)
        if runs[0].get_closest_marker("long"):
            left_out += runs
            continue
        ordered = sorted(runs, key=lambda run: crc32(f"{run.path.name} {run.name}".encode()))
        if runs[0].get_closest_marker("browser"):
            sizes = len(runs) > 1 and SIZES & set(runs[0].callspec.params)
            kept = ordered[:1] if sizes else _first_and_some(runs, ordered, OF_ROOMS)
        elif runs[0].get_closest_marker("many"):
            kept = _first_and_some(runs, ordered, OF_MANY)
        else:
            continue
        left_out += [run for run in runs if run not in kept]
    if left_out:
        config.hook.pytest_deselected(items=left_out)
        gone = set(left_out)
        items[:] = [item for item in items if item not in gone]


def _first_and_some(runs, ordered, count):
    return [runs[0], *(run for run in ordered if run is not runs[0])][:count]


@pytest.fixture
def folder(tmp_path):
    return tmp_path / "data"


@pytest.fixture(scope="session")
def filled(tmp_path_factory):
    """The demo's data, filled once; each test works on a copy."""
    folder = tmp_path_factory.mktemp("filled") / "data"
    sessions = open_store(folder)
    demo.fill(sessions, lambda: SATURDAY)
    sessions.kw["bind"].dispose()
    return folder


@pytest.fixture(scope="session")
def remembered(filled, tmp_path_factory):
    """The demo's data with its six weeks, brought in once; each test works on a copy."""
    folder = tmp_path_factory.mktemp("remembered") / "data"
    shutil.copytree(filled, folder)
    sessions = open_store(folder)
    remember(sessions, lambda: SATURDAY, folder)
    sessions.kw["bind"].dispose()
    return folder


@pytest.fixture
def past_sessions(tmp_path, remembered):
    """The demo with its six weeks."""
    folder = tmp_path / "past"
    shutil.copytree(remembered, folder)
    sessions = open_store(folder)
    yield sessions
    sessions.kw["bind"].dispose()


@pytest.fixture
def sessions(folder, filled):
    shutil.copytree(filled, folder)
    sessions = open_store(folder)
    yield sessions
    sessions.kw["bind"].dispose()


@pytest.fixture
def book(sessions):
    return PlanBook(Work(sessions, lambda: SATURDAY))


@pytest.fixture
def client(sessions):
    return create_app(sessions, lambda: SATURDAY).test_client()
