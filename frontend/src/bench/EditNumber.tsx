/** A number that is an edit of its own: tried while it is typed, kept when it is done. */
import type { Edit } from "@/shared/api/types";
import { NumberLine } from "@/shared/ui/NumberLine";

import { useWorkbench } from "./bench";

interface RowProps {
  label: string;
  value: string;
  step: number;
  edit: (typed: string) => Edit | null;
  onCommit: (typed: string) => Promise<string | null>;
}

function Row({ label, value, step, edit, onCommit }: RowProps) {
  const workbench = useWorkbench();
  return (
    <NumberLine
      label={label}
      value={value}
      step={step}
      onPreview={(typed) => workbench.show(edit(typed))}
      onCommit={onCommit}
      onCancel={() => workbench.show(null)}
    />
  );
}

interface EditProps extends Omit<RowProps, "edit" | "onCommit"> {
  edit: (typed: string) => Edit;
}

export function EditNumber(props: EditProps) {
  const workbench = useWorkbench();
  return <Row {...props} onCommit={(typed) => workbench.make(props.edit(typed))} />;
}

interface FormProps extends Omit<RowProps, "onCommit"> {
  onTyped: (typed: string) => void;
}

/** A number of a form that is only carried out by its button; what it would do is shown while it is typed. */
export function FormNumber({ onTyped, ...props }: FormProps) {
  const workbench = useWorkbench();
  return (
    <Row
      {...props}
      onCommit={(typed) => {
        onTyped(typed);
        workbench.show(props.edit(typed));
        return Promise.resolve(null);
      }}
    />
  );
}
