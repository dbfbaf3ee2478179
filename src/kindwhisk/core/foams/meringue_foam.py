"""How dense a meringue is and how long it keeps, by its method, its sugar and its warmth.

French: the meringue reference model. Swiss and Italian follow it along their own bands, which are trade habit, as are
all windows.
"""

from __future__ import annotations

from kindwhisk.core.foams import foam
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.values.estimate import Basis, Estimate

REFERENCE_RATIO = {Method.SWISS: 1.8, Method.ITALIAN: 1.7}
KINDS_OF = {Method.SWISS: Foam.SWISS_MERINGUE, Method.ITALIAN: Foam.ITALIAN_MERINGUE}
USUAL_C = {Method.FRENCH: 22.0, Method.SWISS: 55.0, Method.ITALIAN: 118.0}
"""C of the whites (French), of whites and sugar over water (Swiss), or of the syrup."""
COLD_FINER_PER_K = 0.003
HOT_DENSER_PER_K = 0.006
THIN_SYRUP_PER_K = 0.03
LEAST_SHARE = 0.2
"""A syrup that is hardly boiled still leaves this share of the usual window."""


def density_of(ratio: float, method: Method, temperature_c: float) -> Estimate:
    """g/ml from stiff (low) over medium to soft (high).

    French: ``rho(r) (1 + 0.003 max(0, 22 - T))``, the meringue reference model's density, finer from cold whites.
    Swiss and Italian: the method's band times ``sqrt(rho(r)/rho(r_usual)) (1 + 0.006 dT)``, dT how much hotter the
    sugar was warmed (Swiss), or how much cooler the syrup was (Italian), than usual.

    Args:
        ratio: grams of sugar to a gram of white, 0.2 to 2.4.
        method: how white and sugar meet.
        temperature_c: C of what :data:`USUAL_C` names.

    Source: meringue reference model; bands and corrections by warmth trade habit.
    """
    stiff, typical, soft = (foam.french_density(ratio, p).likely for p in (Peak.STIFF, Peak.MEDIUM, Peak.SOFT))
    if method is Method.FRENCH:
        finer = 1 + COLD_FINER_PER_K * max(0.0, USUAL_C[method] - temperature_c)
        return Estimate(low=stiff * finer, likely=typical * finer, high=soft * finer, basis=Basis.MODEL)
    band = foam.density_band(KINDS_OF[method])
    along = (typical / foam.french_density(REFERENCE_RATIO[method], Peak.MEDIUM).likely) ** 0.5
    hotter = temperature_c - USUAL_C[method]
    denser = 1 + HOT_DENSER_PER_K * (hotter if method is Method.SWISS else -hotter)
    return band.scaled(along * max(0.7, denser))


def holds_s(ratio: float, method: Method, temperature_c: float) -> Estimate:
    """Seconds that it may wait."""
    if method is Method.FRENCH:
        return foam.french_hold_s(ratio)
    plain = foam.hold_s(KINDS_OF[method]).scaled(min(1.25, ratio / REFERENCE_RATIO[method]) ** 0.7)
    if method is Method.ITALIAN:
        plain = plain.scaled(max(LEAST_SHARE, 1 + THIN_SYRUP_PER_K * (temperature_c - USUAL_C[method])))
    return plain
