/** A number that is an edit of its own: tried while it is entered, kept when it is done. */
import type { Edit } from "@/shared/api/types";
import { NumberLine } from "@/shared/ui/NumberLine";

import { useWorkbench } from "./bench";

interface RowProps {
  label: string;
  value: string;
  step: number;
  edit: (entered: string) => Edit | null;
  onCommit: (entered: string) => Promise<string | null>;
}

function Row({ label, value, step, edit, onCommit }: RowProps) {
  const workbench = useWorkbench();
  return (
    <NumberLine
      label={label}
      value={value}
      step={step}
      onPreview={(entered) => workbench.show(edit(entered))}
      onCommit={onCommit}
      onCancel={() => workbench.show(null)}
    />
  );
}

interface EditProps extends Omit<RowProps, "edit" | "onCommit"> {
  edit: (entered: string) => Edit;
}

export function EditNumber(props: EditProps) {
  const workbench = useWorkbench();
  return <Row {...props} onCommit={(entered) => workbench.make(props.edit(entered))} />;
}

interface FormProps extends Omit<RowProps, "onCommit"> {
  onTyped: (entered: string) => void;
}

/** A number of a form that is only carried out by its button; what it would do is shown while it is entered. */
export function FormNumber({ onTyped, ...props }: FormProps) {
  const workbench = useWorkbench();
  return (
    <Row
      {...props}
      onCommit={(entered) => {
        onTyped(entered);
        workbench.show(props.edit(entered));
        return Promise.resolve(null);
      }}
    />
  );
}
