"""Meringue buttercream: the meringue below 30 °C, butter at 18 to 20; curdled when cold, soup when warm."""

from __future__ import annotations

from kindwhisk.core.readiness.window import Content, Purpose, Ready, Side, Window, judged, window_for

MERINGUE_BELOW_C, BUTTER_C = 30.0, (18.0, 20.0)
"""A meringue that is warmer melts the butter; colder butter curdles, warmer takes no air. Trade habit."""

_WINDOW = Window(
    low_c=19,
    high_c=24,
    colder=Side(
        says="Curdled or stiff: too cold.",
        do="Warm the wall of the bowl for some seconds, whisk on.",
        rescue="Warmed and whisked on, it comes together again.",
    ),
    warmer=Side(
        says="Soup: the butter is melting.",
        do="The bowl into the cold for a quarter of an hour, then whisk on.",
        rescue="Chilled to 20 °C and whisked, it comes back.",
    ),
    past_c=34,
    past=Side(
        says="The butter has melted out.",
        do="Chill it to 18 °C, whisk, and add some cool butter.",
        rescue="Seldom as light as before: begin again where it has to be piped.",
    ),
)
WINDOWS = dict.fromkeys((Purpose.SPREAD, Purpose.PIPE, Purpose.FOLD), _WINDOW)


def ready(temperature_c: float, use: Purpose | None = None, *, air_c: float | None = None) -> Ready:
    """Buttercream for a use, by its temperature."""
    wanted, window = window_for(WINDOWS, use)
    return judged(Content.BUTTERCREAM, wanted, window, temperature_c, air_c)
