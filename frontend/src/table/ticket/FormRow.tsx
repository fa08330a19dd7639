/** A row of a number and what is done with it. */
import type { Intent } from "@/shared/api/types";
import { QuietButton } from "@/shared/maker/QuietButton";
import { NumberField } from "@/shared/ui/NumberField";

import { useSheetSession } from "../sheet";

interface FormProps {
  label: string;
  value: string;
  step: number;
  onTyped: (entered: string) => void;
  intent: (entered: string) => Intent;
  /** What its button says. */
  children: string;
}

/** A number and a button: shown while it is entered, done when the button is pressed. */
export function FormRow({ label, value, step, onTyped, intent, children }: FormProps) {
  const session = useSheetSession();
  return (
    <div className="mt-1 flex items-start justify-between gap-2">
      <span className="pt-0.5">{label}</span>
      <span className="flex items-start gap-1">
        <NumberField
          label={label}
          value={value}
          step={step}
          onPreview={(entered) => session.preview(intent(entered))}
          onCommit={(entered) => {
            onTyped(entered);
            session.preview(intent(entered));
            return Promise.resolve(null);
          }}
          onCancel={() => session.dropPreviews(true)}
        />
        <QuietButton onClick={() => session.command(intent(value))}>{children}</QuietButton>
      </span>
    </div>
  );
}
