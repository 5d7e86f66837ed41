"""Shared by all tests: a kitchen on a clock that stands at half past six on a Saturday."""

import shutil
from datetime import UTC, datetime

import pytest

from gentle_crust import demo
from gentle_crust.api.app import create_app
from gentle_crust.kitchen.plans import PlanBook
from gentle_crust.kitchen.work import Work
from gentle_crust.store.database import open_store

SATURDAY = datetime(2026, 11, 28, 6, 30, tzinfo=UTC)


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
