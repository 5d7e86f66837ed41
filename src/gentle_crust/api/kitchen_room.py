"""The kitchen's habits and its pantry."""

from dataclasses import replace

from flask import Response, current_app

from gentle_crust.api.common import answer, clock, if_match, room, work
from gentle_crust.contract.documents import PANTRY
from gentle_crust.contract.kitchens import (
    Bought,
    DayAnswer,
    DayBody,
    KitchenAnswer,
    KitchenBody,
    PantryAnswer,
    PantryBody,
    PhoneAnswer,
    UsualFlour,
    Warmth,
)
from gentle_crust.contract.measures import HabitsBody
from gentle_crust.core.formula.label import called
from gentle_crust.core.formula.names import WATER, flour_name, key_of
from gentle_crust.core.formula.scaling import sum_by_name, weigh
from gentle_crust.core.messages import message
from gentle_crust.core.tables import rows
from gentle_crust.kitchen.beside import write_formulas
from gentle_crust.kitchen.formulas import FormulaBook
from gentle_crust.kitchen.now import rate_of
from gentle_crust.kitchen.pantry import PantryBook
from gentle_crust.kitchen.settings import KitchenSettings, day_of
from gentle_crust.lan import qr_svg

kitchen = room("kitchen")


@kitchen.get("/kitchen", responses={200: KitchenAnswer})
def get_kitchen() -> Response:
    """The kitchen's habits and its time."""
    return _kitchen_answer(KitchenSettings(work()))


@kitchen.put("/kitchen", responses={200: KitchenAnswer})
def put_kitchen(body: KitchenBody) -> Response:
    """Save the kitchen's habits; with If-Match, only over the state that it names."""
    book = KitchenSettings(work())
    book.save(body.settings(book.get()), if_match())
    return _kitchen_answer(book)


@kitchen.put("/kitchen/measures", responses={200: KitchenAnswer})
def put_measures(body: HabitsBody) -> Response:
    """Keep how this baker measures; the rest of the kitchen stays as it is."""
    book = KitchenSettings(work())
    book.save(replace(book.get(), measures=body.habits()))
    return _kitchen_answer(book)


@kitchen.post("/kitchen/day", responses={200: DayAnswer})
def kitchen_day(body: DayBody) -> Response:
    """The warmth of a day under the habits that the fields show; nothing is kept."""
    day = day_of(body.room_day_c, body.room_night_c, body.sleep_from, body.sleep_to)
    warmth = [Warmth(hour=hour, room_c=c) for hour, c in zip(day.hours, day.room_c, strict=True)]
    return answer(DayAnswer(warmth=warmth, asleep_from_h=day.asleep_from_h, asleep_to_h=day.asleep_to_h))


@kitchen.post("/kitchen/undo", responses={200: KitchenAnswer})
def undo_kitchen() -> Response:
    """Bring back the kitchen as it was before it was saved last."""
    book = KitchenSettings(work())
    book.undo()
    return _kitchen_answer(book)


def _kitchen_answer(book: KitchenSettings) -> Response:
    kinds = {row["kind"]: message(f"vessel-{row['kind']}") for row in rows("vessels")}
    found = KitchenAnswer(
        settings=book.get(),
        now=book.now(),
        rate=rate_of(clock()),
        vessel_kinds=kinds,
        etag=book.etag(),
        can_undo=book.can_undo(),
    )
    return answer(found, etag=found.etag)


@kitchen.get("/phone", responses={200: PhoneAnswer})
def phone() -> Response:
    """Where the phone finds this program, with a QR code; nothing if it is not served to the network."""
    address = current_app.extensions.get("gentle_crust_lan", "")
    return answer(PhoneAnswer(address=address, qr=qr_svg(address) if address else ""))


@kitchen.get("/pantry", responses={200: PantryAnswer})
def get_pantry() -> Response:
    """The baker's own flours and prices."""
    return _pantry_answer()


@kitchen.put("/pantry", responses={200: PantryAnswer})
def put_pantry(body: PantryBody) -> Response:
    """Save flours and prices; with If-Match, only over the state that it names."""
    with work().write():
        PantryBook(work()).save(PANTRY.adapted.read(body.model_dump()), if_match())
        write_formulas(work())
    return _pantry_answer()


@kitchen.post("/pantry/undo", responses={200: PantryAnswer})
def undo_pantry() -> Response:
    """Bring back the pantry as it was before it was saved last."""
    with work().write():
        PantryBook(work()).undo()
        write_formulas(work())
    return _pantry_answer()


def _pantry_answer() -> Response:
    usual = [
        UsualFlour(
            kind=row["kind"],
            name=flour_name(row["kind"]),
            absorption_percent=float(row["absorption_percent"]),
            protein_percent=float(row["protein_percent"]),
        )
        for row in rows("flours")
    ]
    weighed = [
        weigh(kept.formula, kept.formula.pieces, kept.formula.scaling_weight_g) for kept in FormulaBook(work()).all()
    ]
    bought = sum_by_name(line for each in weighed for stage in each.stages for line in stage.lines)
    names = [Bought(key=key_of(name), name=name) for name in bought if name != WATER]
    book = PantryBook(work())
    pantry = book.get()
    priced = [Bought(key=price.name, name=called(price.name)) for price in pantry.prices]
    found = PantryAnswer(
        pantry=pantry, usual=usual, bought=names, priced=priced, etag=book.etag(), can_undo=book.can_undo()
    )
    return answer(found, etag=found.etag)
