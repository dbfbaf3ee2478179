"""The weigh list of a formula as plain text and as a table."""

from __future__ import annotations

from kindwhisk.core.process.comparison import grams
from kindwhisk.core.process.scaling import Scaled
from kindwhisk.core.process.weigh_list import weigh_list
from kindwhisk.formats import cells

COLUMNS = (
    "component", "step", "vessel", "ingredient", "grams", "role", "allergens", "check_label", "allergens_known",
)  # fmt: skip


def as_csv(made: Scaled) -> str:
    """One line a weighing; the columns ``ingredient`` and ``grams`` are what the table reader takes back."""
    rows = [
        (
            part.name,
            bowl.title,
            bowl.vessel,
            item.name,
            f"{item.grams:.2f}",
            item.role,
            " ".join(item.allergens),
            "yes" if item.check_label else "",
            "yes" if item.allergens_known else "no",
        )
        for part in weigh_list(made.forecast)
        for bowl in part.bowls
        for item in bowl.items
    ]
    return "".join(cells.lines([COLUMNS, *rows]))


def as_text(made: Scaled) -> str:
    """The formula to be read or printed anywhere: what to weigh, then what to do."""
    formula, seen = made.formula, made.forecast
    lines = [formula.title, "=" * len(formula.title), ""]
    if formula.summary:
        lines += [formula.summary, ""]
    if made.fills:
        first = made.fills[0]
        lines += [f"{first.count} x {first.name}, {first.grams:.0f} g each; {grams(seen.total_g)} in all", ""]
    lines.append("Ingredients")
    for part in weigh_list(seen):
        lines += ["", f"For the {part.name}:"] if len(seen.components) > 1 else []
        for bowl in part.bowls:
            lines += [f"[ ] {grams(item.grams)} {item.name}" for item in bowl.items]
    if seen.besides:
        lines += ["", f"Without an amount: {', '.join(seen.besides)}"]
    lines += ["", f"{seen.contains} {seen.labels or 'Check the labels of what was bought.'}"]
    if made.eggs:
        lines += [f"Eggs: {made.eggs.count} ({made.eggs.size.value.upper()}). {made.eggs.advice}"]
    lines += ["", "Method"]
    own = {s.id for s in formula.steps}
    number = 0
    for step in seen.steps:
        if step.id not in own:
            continue
        number += 1
        lines.append(f"{number}. {step.title}: {step.do} {step.why}".rstrip())
        lines += [f"   ! {c.text} {c.reason}" for c in step.cautions]
        sees = next((c.sees for c in step.checkpoints), "")
        if sees:
            lines.append(f"   Until: {sees}")
    return "\n".join(lines) + "\n"
