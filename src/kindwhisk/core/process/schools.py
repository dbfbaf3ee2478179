"""Where good bakers disagree: named choices, with what each trades. None is scolded."""

from kindwhisk.core.values.model import Value


class School(Value):
    """A choice that a step makes: the question, the answer taken, what it trades, and the other answers."""

    question: str
    choice: str
    trades: str
    others: tuple[str, ...] = ()


SCHOOLS: dict[str, dict[str, str]] = {
    "Sugar into the whites": {
        "all at the start": "Fine and slow to rise; fits up to about half the weight of the whites.",
        "in thirds": "Quick volume first, then fineness; each third needs its moment.",
        "a spoon at a time": "Most volume; takes the longest and needs a hand throughout.",
    },
    "Peak for folding": {
        "soft": "Folds in with few strokes, gives a fine crumb, rises least.",
        "medium": "Folds well and still lifts; the middle way.",
        "stiff": "Lifts most, but breaks into lumps that cost strokes.",
    },
    "Meringue": {
        "French": "Cold sugar: lightest and quickest, and the first to weep.",
        "Swiss": "Sugar dissolved over water first: denser, smooth, holds half an hour.",
        "Italian": "Boiling syrup poured in: steadiest, glossy, holds an hour; a pot of hot sugar more.",
    },
    "Whole-egg foam": {
        "warmed first": "Whips faster and thicker; must be whipped at once.",
        "at room temperature": "One pan less; takes half as long again.",
    },
    "Folding": {
        "sacrifice": "A first portion is spent to loosen the base, so that the rest keeps its air.",
        "all at once": "Few broad strokes; costs more the further apart the two densities are.",
        "in thirds": "Each third draws the two nearer; the first ones are handled most.",
        "base into the foam": "The foam stays where it is; the base has to run like cream, or it falls through.",
        "flour over the foam": "Flour falls on the foam in a thin layer: no lumps, a sixth of the air.",
        "dry and liquid in turns": "Neither sinks nor clots; more additions, and so more strokes.",
        "stir": "Spends the air of a small portion to bring heavy fat near to the batter.",
    },
    "Tin": {
        "bare wall": "The crumb clings, climbs and can hang upside down; the tin is cut out of.",
        "base paper": "Comes out clean below and holds on at the side; shrinks less.",
        "lined all round": "Comes out easily; the side draws in a little.",
    },
    "Skin": {
        "rested until it holds": "Smooth tops and even feet; half an hour to hours, as the air is.",
        "not rested": "No waiting, and no waiting tray; needs a stiff batter and an oven that starts gently, and more "
        "tops crack.",
        "dried in a warm oven": "Works in damp air; uneven, and the oven is not free to heat meanwhile.",
    },
    "Soak": {
        "brushed": "Moist and still springy; keeps its shape when sliced.",
        "flooded": "As wet as custard; served from its dish, and chilled for hours.",
    },
    "Roll": {
        "rolled warm": "The crumb learns the curve; unrolled to be filled, it wants to roll again.",
        "cooled flat": "One handling less; it needs a moist, thin sheet not to crack.",
    },
    "Roll begun": {
        "from the short side": "Plump, few slices, many turns.",
        "from the long side": "Slim, many slices, bent less.",
    },
    "Cooling": {
        "upside down": "The crumb hangs and keeps its height until it has set; hours, and a bare tin.",
        "on a rack": "Quick and even; the crumb settles under its own weight.",
    },
    "Knock out of the oven": {
        "one drop": "Hot steam leaves at once and the crumb draws in less.",
        "none": "Nothing can tear; a very soft crumb may settle more.",
    },
}


def school(question: str, choice: str) -> School:
    """The choice with its trade and the other answers."""
    answers = SCHOOLS[question]
    return School(
        question=question,
        choice=choice,
        trades=answers[choice],
        others=tuple(answer for answer in answers if answer != choice),
    )
