"""The made-up kitchen's own goods, as their labels have them."""

from kindwhisk.core.ingredients.goods import Good, Label


def demo_goods() -> tuple[Good, ...]:
    """What a small kitchen buys that no table knows."""
    return (
        Good(
            name="Dark buttons 66",
            synonyms=("house dark chocolate",),
            stands_for="chocolate-dark",
            label=Label(fat=40, carbohydrate=41, sugars=33, fibre=9, protein=7, salt=0.02),
            allergens=("soya",),
            may_contain=("milk", "hazelnut"),
            label_read=True,
            pack_g=2500,
            price_per_kg=14.8,
        ),
        Good(
            name="Hazelnut praline 60",
            synonyms=("house praline", "praliné maison"),
            stands_for="praline-paste",
            label=Label(fat=37, carbohydrate=45, sugars=43, fibre=5, protein=9, salt=0.01),
            allergens=("hazelnut",),
            may_contain=("almond", "milk", "soya"),
            label_read=True,
            pack_g=1000,
            price_per_kg=22.5,
        ),
        Good(
            name="Spray-dried yogurt",
            label=Label(fat=4, carbohydrate=60, sugars=58, protein=28, salt=1.1),
            cup_g=105,
            allergens=("milk",),
            label_read=True,
            price_per_kg=19.0,
        ),
        Good(name="Crunch pearls", synonyms=("dark pearls",), piece_g=0.06, piece_mm=5, cup_g=150),
    )
