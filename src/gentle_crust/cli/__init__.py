"""The console command: serve the program, keep its data, or ask the craft a question in JSON."""

import argparse
from collections.abc import Callable
from pathlib import Path
from typing import TYPE_CHECKING

from gentle_crust import __version__

if TYPE_CHECKING:
    from gentle_crust.config import Config

CODES_HELP = "list the codes of problems, cautions and steps"
HOST, PORT, DEVICES_PORT = "127.0.0.1", 8417, 8418
QUESTIONS = (
    ("forecast", "how a dough rises along a path of temperatures"),
    ("preferment", "how much yeast makes a preferment ripe in time, and how long it may be used"),
    ("culture", "when a culture that was fed is ripe, and how it is by what was seen"),
    ("water", "how warm the water, and how much from tap, kettle and ice"),
    ("weigh", "a written recipe's lines in grams, low to high"),
    ("diagnose", "why a loaf came out so, and one change for the next"),
    ("recipe", "a written recipe read whole: formula, method, what is in doubt"),
    ("formula", "a formula in percent as a scaled weigh list"),
    ("bake", "what oven, vessel, steam and loaf do together, minute by minute"),
    ("choose", "every way to bake a loaf with a kit, the best for a wish first"),
    ("plan", "a formula and a method by the clock: stages, steps, bake, and what of it cannot be met"),
    ("judge", "whether a dough, a culture or a loaf is ready, and what to do"),
)


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="gentle-crust",
        description="Plans lean and sourdough loaves, timed to the dough's own temperature.",
        epilog="The others read one JSON object from standard input and write one to standard output.",
    )
    parser.add_argument("--version", action="version", version=f"gentle-crust {__version__}")
    commands = parser.add_subparsers(dest="command", required=True, metavar="COMMAND")
    for name, words in (("serve", "serve your own kitchen"), ("demo", "serve a made-up bakery in a folder of its own")):
        command = commands.add_parser(name, help=words, description=words.capitalize() + ".")
        command.add_argument("--host", default=HOST, help="address to listen on (default 127.0.0.1)")
        command.add_argument("--port", type=int, default=PORT, help="port (default 8417)")
        command.add_argument(
            "--data", metavar="FOLDER", help="data folder (default: the platform's, or GENTLE_CRUST_DATA)"
        )
        command.add_argument(
            "--lan", action="store_true", help="serve to the phone on this network: HTTPS, passcode, QR code"
        )
        command.add_argument(
            "--devices",
            action="append",
            metavar="ADDRESS",
            default=[],
            help="instruments to listen to; may be repeated",
        )
        command.add_argument(
            "--in-the-clear", action="store_true", help="serve --host without encryption: something else encrypts"
        )
        if name == "demo":
            command.add_argument("--reset", action="store_true", help="begin with fresh demo data")
            command.add_argument("--empty-bench", action="store_true", help="put no doughs on the bench")
    for name, words in (
        ("backup", "write everything of a kitchen into one file; the program may run meanwhile"),
        ("restore", "put a backup in the place of a kitchen's data, which are kept aside"),
        ("check", "say what is damaged, missing or to be seen to"),
    ):
        command = commands.add_parser(name, help=words, description=words.capitalize() + ".")
        if name != "check":
            command.add_argument("file", type=Path, metavar="FILE")
        if name == "backup":
            command.add_argument("--force", action="store_true", help="replace a file that is there")
        command.add_argument("--data", metavar="FOLDER", help="data folder (default: as for serve)")
    command = commands.add_parser("log", help="write the log of bakes out, or bring one in", description="The log.")
    way = command.add_mutually_exclusive_group(required=True)
    way.add_argument("--export", type=Path, metavar="FOLDER", help="write JSON, its schema, tables and photos there")
    way.add_argument("--import", type=Path, metavar="FOLDER", dest="bring", help="bring in what was written out")
    way.add_argument("--schema", action="store_true", help="print the JSON Schema of log.json")
    way.add_argument("--codes", action="store_true", help="list the kinds of entries and the faults of loaves")
    command.add_argument("--data", metavar="FOLDER", help="data folder (default: as for serve)")
    command = commands.add_parser("crumb", help="measure the slice on a photo", description="Measure a slice's holes.")
    command.add_argument("photo", nargs="?", type=Path, metavar="PHOTO", help="JPEG, PNG, WebP or HEIC")
    command.add_argument("--width-mm", type=float, help="width of the slice itself, mm (20 to 600)")
    command.add_argument("--schema", action="store_true", help="print the JSON Schema of the answer")
    command.add_argument("--codes", action="store_true", help="list why a photo cannot be read")
    command = commands.add_parser("devices", help="play a kitchen's instruments", description="Play instruments.")
    command.add_argument("--host", default=HOST, help="address to listen on (default 127.0.0.1)")
    command.add_argument("--port", type=int, default=DEVICES_PORT, help="port (default 8418)")
    for name, words in QUESTIONS:
        command = commands.add_parser(name, help=words, description=words.capitalize() + ".")
        command.add_argument("--schema", action="store_true", help="print the JSON Schema of the question")
        if name == "judge":
            command.add_argument("--cues", action="store_true", help="list the cues of every stage and their values")
        if name == "plan":
            command.add_argument("--codes", action="store_true", help=CODES_HELP)
        if name == "diagnose":
            command.add_argument("--codes", action="store_true", help="list the codes of faults, causes and looks")
    command = commands.add_parser("styles", help="list the styles with their methods", description="List the styles.")
    command.add_argument("--codes", action="store_true", help=CODES_HELP)
    return parser


def main(arguments: list[str] | None = None) -> int:
    """Entry of the console command; returns the exit status."""
    options = _parser().parse_args(arguments)
    if options.command == "styles":
        from gentle_crust.interchange.plan_json import list_codes, list_styles

        return list_codes() if options.codes else list_styles()
    if options.command in dict(QUESTIONS):
        return _question(options)
    if options.command == "crumb":
        from gentle_crust.cli.crumb import crumb

        return crumb(options.photo, options.width_mm, options.schema, options.codes)
    from gentle_crust.config import config  # what is large is loaded when it is wanted: help comes at once

    settings = config()
    try:
        return COMMANDS[options.command](options, settings)
    except KeyboardInterrupt:
        return 0


def _question(options: argparse.Namespace) -> int:
    from gentle_crust.cli.questions import ask, list_cues

    if options.command == "judge" and options.cues:
        return list_cues()
    if options.command == "plan" and options.codes:
        from gentle_crust.interchange.plan_json import list_codes

        return list_codes()
    if options.command == "diagnose" and options.codes:
        from gentle_crust.interchange.diagnosis_json import list_codes as list_causes

        return list_causes()
    return ask(options.command, options.schema)


def _backup(options: argparse.Namespace, settings: "Config") -> int:
    from gentle_crust.cli import keeping

    return keeping.backup(settings.folder(options.data), options.file, options.force)


def _restore(options: argparse.Namespace, settings: "Config") -> int:
    from gentle_crust.cli import keeping

    return keeping.restore(settings.folder(options.data), options.file)


def _check(options: argparse.Namespace, settings: "Config") -> int:
    from gentle_crust.cli import keeping

    return keeping.check(settings.folder(options.data))


def _log(options: argparse.Namespace, settings: "Config") -> int:
    from gentle_crust.cli import log_files

    if options.schema or options.codes:
        return log_files.codes() if options.codes else log_files.schema()
    folder = settings.folder(options.data)
    if options.export is not None:
        return log_files.write_out(folder, options.export)
    return log_files.bring_in(folder, options.bring)


def _devices(options: argparse.Namespace, settings: "Config") -> int:
    from gentle_crust.cli.serving import play_devices

    return play_devices(options.host, options.port, settings)


def _serve(options: argparse.Namespace, settings: "Config") -> int:
    import gc

    gc.disable()  # what a server loads at its start it keeps: the collector has nothing to find there
    from gentle_crust import log
    from gentle_crust.cli.serving import Serving, serve

    log.set_up(settings.log, settings.log_level)
    folder, demo = settings.folder(options.data), options.command == "demo"
    if demo and not options.data:
        folder = folder.with_name(f"{folder.name}-demo")
    everywhere = options.lan and options.host == HOST
    return serve(
        Serving(
            folder=folder,
            host="0.0.0.0" if everywhere else options.host,  # noqa: S104 - asked for
            port=options.port,
            demo=demo,
            reset=demo and options.reset,
            empty_bench=demo and options.empty_bench,
            over_lan=options.lan,
            in_the_clear=options.in_the_clear,
            instruments=options.devices,
        ),
        settings,
    )


COMMANDS: dict[str, Callable[[argparse.Namespace, "Config"], int]] = {
    "backup": _backup, "restore": _restore, "check": _check, "log": _log, "devices": _devices,
    "serve": _serve, "demo": _serve,
}  # fmt: skip
