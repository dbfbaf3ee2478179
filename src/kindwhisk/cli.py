"""The command line."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Annotated

import typer

app = typer.Typer(no_args_is_help=True, add_completion=False, help="Kind Whisk: the bench companion for foam bakes.")

DataOption = Annotated[Path, typer.Option(help="Folder of the data file.")]
PortOption = Annotated[int, typer.Option(min=0, max=65535, help="Port to listen on; 0 takes a free one.")]
HostOption = Annotated[str, typer.Option(help="Address to listen on; beyond this machine a passcode is required.")]
WebOption = Annotated[Path | None, typer.Option(help="Folder of the built front end.")]
PasscodeOption = Annotated[str | None, typer.Option(envvar="KINDWHISK_PASSCODE", help="What other devices must enter.")]

StandInsOption = Annotated[bool, typer.Option("--stand-ins", help="Simulated thermometers, as in the demo.")]


def _run(
    data: Path, port: int, host: str, web: Path | None, passcode: str | None, *, demo: bool, stand_ins: bool
) -> None:
    import socket

    import uvicorn

    from kindwhisk.api.app import create_app
    from kindwhisk.api.settings import Settings

    try:
        settings = Settings(data=data, web=web, host=host, passcode=passcode, stand_ins=stand_ins)
    except ValueError as error:
        typer.echo(str(error), err=True)
        raise typer.Exit(2) from error
    application = create_app(settings)
    if demo:
        from kindwhisk.demo.seed import is_empty, seed

        if is_empty(application.state.bench.store):
            typer.echo("· making the demo kitchen and its last weeks", err=True)
        seed(application.state.bench)
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    # Named as TCP, or answers on an open connection would wait 40 ms for the other side's acknowledgement.
    listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listener.bind((host, port))
        listener.listen(128)  # whoever reads the address below may ask at once
    except OSError as error:
        typer.echo(f"Port {port} on {host} is taken ({error.strerror}). Give another with --port N.", err=True)
        raise typer.Exit(2) from error
    shown = f"[{host}]" if ":" in host else host
    typer.echo(f"Kind Whisk is at http://{shown}:{listener.getsockname()[1]}/  (data in {data}, stop with Ctrl-C)")
    config = uvicorn.Config(application, log_level="warning", timeout_graceful_shutdown=2, server_header=False)
    uvicorn.Server(config).run(sockets=[listener])


@app.command()
def demo(
    data: DataOption = Path("data/demo"),
    port: PortOption = 8321,
    host: HostOption = "127.0.0.1",
    web: WebOption = None,
    passcode: PasscodeOption = None,
) -> None:
    """Serve the demo kitchen; its data are made at the first start."""
    _run(data, port, host, web, passcode, demo=True, stand_ins=True)


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
    _run(data, port, host, web, passcode, demo=False, stand_ins=stand_ins)


@app.command()
def openapi() -> None:
    """Print the OpenAPI document that the front end's types are made from."""
    import tempfile

    from kindwhisk.api.app import create_app
    from kindwhisk.api.settings import Settings

    with tempfile.TemporaryDirectory() as folder:
        document = create_app(Settings(data=Path(folder))).openapi()
    typer.echo(json.dumps(document, indent=1, sort_keys=True))


if __name__ == "__main__":
    app()
