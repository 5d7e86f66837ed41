"""Everything that can be set from outside, in one place: GENTLE_CRUST_… in the environment, with what it means."""

from pathlib import Path
from typing import Literal

import platformdirs
from pydantic import Field, SecretStr, ValidationError
from pydantic_settings import BaseSettings, SettingsConfigDict

FASTEST = 3600.0
SHORTEST_PASSCODE = 8


class Config(BaseSettings):
    """What the environment sets; the command line goes before it."""

    model_config = SettingsConfigDict(env_prefix="GENTLE_CRUST_", extra="ignore", env_ignore_empty=True)

    data: Path | None = Field(None, description="The data folder; by default the platform's")
    passcode: SecretStr | None = Field(None, description="What others on the network have to give")
    now: str | None = Field(None, description="An instant at which the clock stands, 2026-11-28T06:30+00:00")
    rate: float = Field(0.0, ge=0, le=FASTEST, description="How fast the clock runs from there")
    language: Literal["en", "qps"] = Field("en", description="The language; qps is English made longer and accented")
    log: Literal["plain", "json"] = Field("plain", description="How the log is written: for people, or a JSON a line")
    log_level: Literal["DEBUG", "INFO", "WARNING", "ERROR"] = Field(
        "WARNING", description="From where on it is written"
    )
    copies_bytes: int = Field(2_000_000_000, ge=0, description="What all daily copies together may take")

    def folder(self, given: str | None = None) -> Path:
        """Where the data live: as given, else as set, else by the platform's convention."""
        return Path(given or self.data or platformdirs.user_data_dir("gentle-crust", False))


def config() -> Config:
    """The configuration. SystemExit, with a sentence, for one that is wrong."""
    try:
        return Config()
    except ValidationError as error:
        first = error.errors(include_url=False, include_input=False)[0]
        name = f"GENTLE_CRUST_{'_'.join(str(part) for part in first['loc']).upper()}"
        raise SystemExit(f"{name} is not right: {first['msg']}.") from error
