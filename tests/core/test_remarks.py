"""What a recipe forgets or has wrong is remarked, with its consequence; and nothing else is."""

from __future__ import annotations

import pytest

from tests.core.test_method import read_text


def lint_of(method: str, *lines: str) -> set[str]:
    text = "Cake\nIngredients\n" + "\n".join(lines) + "\nMethod\n" + method
    return {r.id for r in read_text(text).lint}


GOOD = ("4 egg whites", "4 egg yolks", "100 g sugar", "90 g flour")
BASIC = (
    "Preheat the oven to 170 °C and line a 20 cm round tin. Sift the flour. Whip the egg whites with the sugar. "
    "Beat the yolks. Fold in yolks and flour. Bake for 30 minutes until golden."
)


def test_a_complete_recipe_has_nothing_to_be_remarked() -> None:
    assert lint_of(BASIC, *GOOD) == set()


def test_of_a_method_that_is_hardly_read_nothing_is_said_to_be_missing() -> None:
    said = lint_of(
        "Whip the whites with the sugar to stiff peaks. All else goes in as usual. Fill a tin. Bake it.",
        *GOOD,
        "50 g butter",
        "10 g cocoa",
    )
    assert "hardly-read" in said
    assert not said & {"never-used", "no-time", "no-temperature", "no-end-point", "fat-near-whites"}


@pytest.mark.parametrize(
    ("method", "lines", "remark"),
    [
        (BASIC + " Brush with honey.", GOOD, "not-listed"),
        (BASIC, (*GOOD, "50 g butter"), "never-used"),
        (BASIC, (*GOOD[:3], "flour"), "no-amount"),
        (BASIC, (*GOOD[:2], "500 g sugar", "90 g flour"), "out-of-proportion"),
        (BASIC, (*GOOD, "20 g salt"), "out-of-proportion"),
        (BASIC.replace("to 170 °C ", ""), GOOD, "no-temperature"),
        (BASIC.replace(" and line a 20 cm round tin", ""), GOOD, "no-tin"),
        (BASIC.replace(" until golden", ""), GOOD, "no-end-point"),
        (BASIC.replace("for 30 minutes ", ""), GOOD, "no-time"),
        (BASIC.replace("Preheat the oven to 170 °C and l", "L") + " Preheat the oven to 170 °C.", GOOD, "too-late"),
        (BASIC.replace("Beat the yolks.", "Fold in the reserved yolks."), GOOD, "from-elsewhere"),
        (BASIC.replace("with the sugar", "and the sugar in the same bowl"), GOOD, "fat-near-whites"),
        (BASIC, (*GOOD[:3], "1 cup flour"), "cup"),
        (BASIC, (*GOOD[:3], "1 cup (200 g) flour"), "disagrees"),
        (BASIC, (*GOOD, "a cloud of stardust"), "unknown"),
    ],
)
def test_what_a_recipe_forgets_is_listed_with_its_consequence(method: str, lines: tuple[str, ...], remark: str) -> None:
    assert remark in lint_of(method, *lines)
