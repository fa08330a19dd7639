"""A call-out as it is kept."""

from __future__ import annotations

from typing import Annotated

from pydantic import AfterValidator, BaseModel, ConfigDict, Field

from curlet.formats.mark_doc import AnchorDoc, Spot
from curlet.formats.names import seen

LONGEST = 300


def _clean(text: str) -> str:
    return str(seen(text)).strip()


CallOutText = Annotated[str, Field(min_length=1, max_length=LONGEST), AfterValidator(_clean)]


class CallOutDoc(BaseModel):
    """A leader to a run and its text.

    Attributes
    ----------
    run : its id.
    anchor : where on the run's path the leader ends, by the nodes before and after it.
    text : as somebody wrote it; None where it is made from the run.
    away : from the leader's end to the text's left and top, sheet mm, where somebody put it; None where it is
        placed by itself.
    """

    model_config = ConfigDict(extra="forbid", frozen=True)
    run: Annotated[str, Field(min_length=1, max_length=60)]
    anchor: AnchorDoc
    text: CallOutText | None = None
    away: Spot | None = None
