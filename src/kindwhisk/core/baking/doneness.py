"""Done or not: the signs by class, and what looks wrong in an oven but is right for that class.

Signs and sayings are trade habit.
"""

from __future__ import annotations

from kindwhisk.core.baking.course import Sets
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique


class Sign(Value):
    """One way to tell: what one sees when it is done, not yet, and too far."""

    id: str
    name: str
    sees: str
    not_yet: str
    too_far: str = ""


DONE: dict[Sets, Sign] = {
    Sets.CRUMB: Sign(
        id="done",
        name="Done",
        sees="A skewer comes out clean; pressed lightly, it springs back and whispers.",
        not_yet="A dent stays, or it still sizzles loudly: five minutes more.",
        too_far="Drawn in from the wall all round: out at once.",
    ),
    Sets.SHELL: Sign(
        id="done",
        name="Done",
        sees="Dry and set: pushed with a finger, the top does not slide.",
        not_yet="It slides, or the finger sticks: a minute more, door shut.",
        too_far="Browned at the rim: out, and a lower oven for the next tray.",
    ),
    Sets.DRY: Sign(
        id="done",
        name="Done",
        sees="Light, lifts off clean, no soft middle.",
        not_yet="It sticks, or the middle gives: leave it longer.",
        too_far="It colours, or beads of syrup stand on it: lower the oven.",
    ),
}
"""How each thing that an oven makes of a foam is told to be done: a crumb is tried with a skewer, a shell never is."""
SKEWER = Sign(
    id="skewer",
    name="Skewer",
    sees="Comes out of the middle clean and warm.",
    not_yet="Wet batter on it: door shut, look again when it says.",
)
MOIST_SKEWER = Sign(
    id="skewer",
    name="Skewer",
    sees="A few moist crumbs cling to it, no wet batter.",
    not_yet="Wet batter runs off it.",
    too_far="Quite dry and clean: out at once, it is drying out.",
)
SPRING = Sign(
    id="spring",
    name="Spring",
    sees="Pressed lightly in the middle it comes back and whispers.",
    not_yet="A dent stays, or it sizzles loudly.",
    too_far="Hard to the finger.",
)
SHEET_SPRING = Sign(
    id="spring",
    name="Spring",
    sees="Springs back, still soft, no longer tacky.",
    not_yet="A dent stays, or it sticks to the finger.",
    too_far="Crisp at the edge: it will crack when it is rolled.",
)
EDGE = Sign(
    id="edge",
    name="Edge",
    sees="Just begins to draw in from the wall or paper.",
    not_yet="Stands tight against the wall and still glistens.",
    too_far="A gap all round: dry, out at once.",
)
HEIGHT = Sign(
    id="height",
    name="Height",
    sees="It has risen, and has sunk back by a finger's width from its highest.",
    not_yet="It still rises.",
)
COLOUR = Sign(
    id="colour",
    name="Colour",
    sees="Even gold, the cracks as well.",
    not_yet="The cracks are pale and moist.",
    too_far="Deep brown: cover it if the middle is not done.",
)
WOBBLE = Sign(
    id="wobble",
    name="Wobble",
    sees="Only a coin's width in the middle trembles when it is tapped.",
    not_yet="All of it moves like a wave.",
    too_far="Nothing moves and it has cracked all round.",
)
STANDS = Sign(
    id="stands",
    name="Shell stands still",
    sees="Touched at the side, the shell does not slide on its foot.",
    not_yet="It wobbles on its foot: two minutes more.",
    too_far="The foot is brown, the top has coloured.",
)
LETS_GO = Sign(
    id="lets-go",
    name="Lets go",
    sees="One comes off the paper with a whole, dull base.",
    not_yet="The base stays on the paper.",
)
LIGHT = Sign(
    id="light",
    name="Light and hollow to the knock",
    sees="Lifts off clean, feels light, sounds dry under a nail.",
    not_yet="Sticks, or the base gives under a finger.",
    too_far="Cream turns to straw: the oven is too hot.",
)

_CLASSES: dict[Technique, tuple[Sign, ...]] = {
    Technique.CHIFFON: (COLOUR, SPRING, SKEWER),
    Technique.PATTERNED: (COLOUR, SPRING, SKEWER),
    Technique.CHIFFON_ROLL: (SHEET_SPRING, EDGE),
    Technique.GENOISE: (EDGE, SPRING, HEIGHT),
    Technique.COLD_GENOISE: (EDGE, SPRING, HEIGHT),
    Technique.SEPARATED_SPONGE: (SPRING, SKEWER),
    Technique.SOAKED_SPONGE: (SKEWER, SPRING, EDGE),
    Technique.RICH_SPONGE: (MOIST_SKEWER, WOBBLE),
    Technique.CREAMED_SPONGE: (SKEWER, SPRING, COLOUR),
    Technique.SOUFFLED_SHEET: (SHEET_SPRING,),
    Technique.LADYFINGERS: (LETS_GO, COLOUR),
    Technique.LADYFINGER_CAKE: (LETS_GO, COLOUR),
    Technique.MERINGUE: (LIGHT,),
    Technique.SHELLS: (STANDS, LETS_GO),
}
_OTHERWISE = {Sets.CRUMB: (SKEWER, SPRING), Sets.SHELL: (LETS_GO,), Sets.DRY: (LIGHT,)}

_RIGHT: dict[Technique, tuple[str, ...]] = {
    Technique.CHIFFON: (
        "It cracks on top and the cracks stay: so it should.",
        "It rises over the rim and comes back to it in the last minutes.",
    ),
    Technique.PATTERNED: ("It cracks on top; the pattern shows inside, not there.",),
    Technique.CHIFFON_ROLL: ("It rises high and falls flat as it cools: a sheet that stays high is dry.",),
    Technique.GENOISE: ("It sinks by a finger's width before it is done.", "It wrinkles a little as it cools."),
    Technique.COLD_GENOISE: ("It sinks by a finger's width before it is done.",),
    Technique.SEPARATED_SPONGE: ("The top cracks like dry earth under its sugar.",),
    Technique.SOAKED_SPONGE: ("It looks drier than other sponges: it is made to soak.",),
    Technique.RICH_SPONGE: (
        "It rises, cracks, and sinks in the middle as it cools: that is how it should be.",
        "The middle looks damp: it sets on the rack.",
    ),
    Technique.CREAMED_SPONGE: ("It stays lower than a foam cake, with a low dome.",),
    Technique.SOUFFLED_SHEET: (
        "It puffs up and falls to half within minutes: no flour holds it.",
        "Its top crackles.",
    ),
    Technique.LADYFINGERS: ("Beads of sugar on top, and cracks along the side.",),
    Technique.LADYFINGER_CAKE: ("The fingers touch each other as they spread.",),
    Technique.MERINGUE: ("Soft while it is hot: it crisps as it cools.", "Hair cracks at the foot do no harm."),
    Technique.SHELLS: (
        "The feet rise first and settle a little at the end.",
        "Warm shells stick: judge them cold.",
    ),
}


def signs(technique: Technique | None, sets: Sets) -> tuple[Sign, ...]:
    """How one tells that it is done, the surest first."""
    known = _CLASSES.get(technique) if technique is not None else None
    if known is None or (sets is Sets.CRUMB) != (technique not in PIECES):
        return _OTHERWISE[sets]
    return known


PIECES = {Technique.LADYFINGERS, Technique.LADYFINGER_CAKE, Technique.MERINGUE, Technique.SHELLS}


def looks_wrong_but_right(technique: Technique | None) -> tuple[str, ...]:
    """What will look wrong and is right for its class."""
    return _RIGHT.get(technique, ()) if technique is not None else ()
