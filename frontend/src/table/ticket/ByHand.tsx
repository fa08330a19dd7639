/** Turns on the grips on the sheet that a picture is moved, sized and turned by. */
import { QuietButton } from "@/shared/maker/QuietButton";

import { chooseTool } from "../HeadStrip";
import { type HeldPicture, tableState, useTableState } from "../state";

export function ByHand({ kind, id }: HeldPicture) {
  const inHand = useTableState(({ picture }) => picture?.kind === kind && picture.id === id);
  const take = () => {
    chooseTool("choose");
    tableState().set({ picture: inHand ? null : { kind, id } });
  };
  return (
    <QuietButton pressed={inHand} onClick={take}>
      Move it by hand
    </QuietButton>
  );
}
