"""What a dial says: fan and still, gas marks."""

from gentle_crust.core.messages import Message, message
from gentle_crust.core.oven.equipment import FAN_LOWER_C
from gentle_crust.core.oven.kit import OvenStage

_MARK_1_C, _STEP_C = 135.0, 14.0
"""Gas mark 1 is about 135 C, each mark about 14 C more (common)."""


def gas_mark(still_c: float) -> str:
    """The nearest gas mark (1/4 to 10) for a still oven's temperature; empty beyond.

    Parameters
    ----------
    still_c : temperature of a still oven, C, 100-260

    Returns
    -------
    A mark from 1/4 to 10, or nothing (practice).
    """
    if still_c < 105:
        return ""
    if still_c < 118:
        return "1/4"
    if still_c < 129:
        return "1/2"
    mark = round((still_c - _MARK_1_C) / _STEP_C) + 1
    return str(mark) if mark <= 10 else ""


def other_dial(setpoint_c: float, fan: bool) -> float:
    """The same heat with the fan off (if it is on) or on.

    Parameters
    ----------
    setpoint_c : set point of the dial, C, 0-550
    fan : whether the fan is on

    Returns
    -------
    C, 20 K apart (practice).
    """
    return setpoint_c + FAN_LOWER_C if fan else setpoint_c - FAN_LOWER_C


def other_words(stage: OvenStage) -> Message:
    """The same heat on another dial.

    Parameters
    ----------
    stage : name of a stage

    Returns
    -------
    A sentence.
    """
    if stage.setpoint_c <= 0:
        return message("dial-off")
    other = round(other_dial(stage.setpoint_c, stage.fan))
    said = message("dial-without-a-fan" if stage.fan else "dial-with-a-fan", other=other)
    mark = gas_mark(stage.setpoint_c + (FAN_LOWER_C if stage.fan else 0))
    return message("dial-with-a-mark", said=said, mark=mark) if mark else said
