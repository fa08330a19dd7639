/** A number that is a making of its own: tried while it is typed, kept when it is done. */
import type { Making } from "@/shared/api/types";
import { NumberLine } from "@/shared/ui/NumberLine";

import { useWorkbench } from "./bench";

interface RowProps {
  label: string;
  value: string;
  step: number;
  making: (typed: string) => Making | null;
  onCommit: (typed: string) => Promise<string | null>;
}

function Row({ label, value, step, making, onCommit }: RowProps) {
  const workbench = useWorkbench();
  return (
    <NumberLine
        label={label}
        value={value}
        step={step}
        onPreview={(typed) => workbench.show(making(typed))}
        onCommit={onCommit}
        onCancel={() => workbench.show(null)}
      />
  );
}

interface MakingProps extends Omit<RowProps, "making" | "onCommit"> {
  making: (typed: string) => Making;
}

export function MakingNumber(props: MakingProps) {
  const workbench = useWorkbench();
  return <Row {...props} onCommit={(typed) => workbench.make(props.making(typed))} />;
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
        workbench.show(props.making(typed));
        return Promise.resolve(null);
      }}
    />
  );
}
