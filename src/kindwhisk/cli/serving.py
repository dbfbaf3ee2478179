"""The servers: the demo's and your own; and the description of their doors."""

from __future__ import annotations

import json
import socket
from pathlib import Path
from typing import Annotated, NamedTuple

import typer

from kindwhisk.cli.app import DataOption, app, stopped

PortOption = Annotated[int, typer.Option(min=0, max=65535, help="Port to listen on; 0 takes a free one.")]
HostOption = Annotated[str, typer.Option(help="Address to listen on; beyond this machine a passcode is required.")]
WebOption = Annotated[Path | None, typer.Option(help="Folder of the built front end.")]
PasscodeOption = Annotated[str | None, typer.Option(envvar="KINDWHISK_PASSCODE", help="What other devices must enter.")]

StandInsOption = Annotated[bool, typer.Option("--stand-ins", help="Simulated thermometers, as in the demo.")]


DayOption = Annotated[bool, typer.Option("--day/--no-day", help="With a day of orders and bakes under way.")]


class Kind(NamedTuple):
    """Whether it is the demo kitchen, with simulated thermometers, with a day under way."""

    demo: bool
    stand_ins: bool
    day: bool = False


def _run(
    data: Path,
    port: int,
    host: str,
    web: Path | None,
    passcode: str | None,
    kind: Kind,
) -> None:
    from kindwhisk.api.settings import Settings
    from kindwhisk.store.keeping.holding import Held
    from kindwhisk.store.keeping.looking import check_fit, check_folder
    from kindwhisk.store.trouble import DataTrouble

    try:
        settings = Settings(data=data, web=web, host=host, passcode=passcode, stand_ins=kind.stand_ins)
        # Looked at before anything slow is loaded: what can't be is said at once.
        check_folder(data)
        held = Held(data)
        check_fit(data)
    except (ValueError, DataTrouble) as error:
        raise stopped(error) from error
    try:
        listener = _listening(host, port)
    except OSError as error:
        raise stopped(f"Port {port} on {host} is taken ({error.strerror}). Give another with --port N.") from error

    import uvicorn

    from kindwhisk.api.app import create_app

    try:
        application = create_app(settings)
    except DataTrouble as error:
        raise stopped(error) from error
    if kind.demo:
        from kindwhisk.demo.seed import is_empty, seed

        if is_empty(application.state.bench.store):
            typer.echo("· making the demo kitchen and its last weeks", err=True)
        seed(application.state.bench)
        if kind.day:
            from kindwhisk.demo.day import seed_day

            seed_day(application.state.bench)
        application.state.bench.store.tidy()
    shown = f"[{host}]" if ":" in host else host
    address = f"http://{shown}:{listener.getsockname()[1]}/"
    held.tell(address)
    typer.echo(f"Kind Whisk is at {address}  (data in {data}, stop with Ctrl-C)")
    # Addresses are those of the connections: what a header says of them, anybody can write.
    config = uvicorn.Config(
        application, log_level="warning", timeout_graceful_shutdown=2, server_header=False, proxy_headers=False
    )
    uvicorn.Server(config).run(sockets=[listener])
    held.release()


def _listening(host: str, port: int) -> socket.socket:
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    # Named as TCP, or answers on an open connection would wait 40 ms for the other side's acknowledgement.
    listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    listener.bind((host, port))
    listener.listen(128)  # whoever reads the address may ask at once
    return listener


@app.command()
def demo(
    data: DataOption = Path("data/demo"),
    port: PortOption = 8321,
    host: HostOption = "127.0.0.1",
    web: WebOption = None,
    passcode: PasscodeOption = None,
    day: DayOption = True,
) -> None:
    """Serve the demo kitchen; its data are made at the first start."""
    _run(data, port, host, web, passcode, Kind(demo=True, stand_ins=True, day=day))


@app.command()
def serve(
    data: DataOption = Path("data/kitchen"),
    port: PortOption = 8321,
    host: HostOption = "127.0.0.1",
    web: WebOption = None,
    passcode: PasscodeOption = None,
    stand_ins: StandInsOption = False,
) -> None:
    """Serve your own kitchen."""
    _run(data, port, host, web, passcode, Kind(demo=False, stand_ins=stand_ins))


@app.command()
def openapi() -> None:
    """Print the OpenAPI document that the front end's types are made from."""
    from kindwhisk.api.sums import openapi_document

    typer.echo(json.dumps(json.loads(openapi_document()), indent=1, sort_keys=True))
