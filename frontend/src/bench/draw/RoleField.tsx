/** Where a shape's colour comes from: a thread of the brush, a colour of its own, or none. */
import type { RoleDoc } from "@/shared/api/types";
import { useMaker } from "@/shared/maker/maker";
import { ColourField } from "@/shared/ui/ColourField";
import { Pick } from "@/shared/ui/Pick";

const STEPS = [40, 30, 20, 10, 0, -10, -20, -30, -40];

/** The usual steps, with the one that is there now. */
const shades = (now: number) => [...new Set([...STEPS, now])].sort((a, b) => b - a);

interface Props {
  label: string;
  value: RoleDoc | null;
  /** Whether it may have none. */
  none?: boolean;
  onPreview: (role: RoleDoc | "none") => void;
  onCommit: (role: RoleDoc | "none") => Promise<string | null>;
}

export function RoleField({ label, value, none = true, onPreview, onCommit }: Props) {
  const threads = useMaker().doc.threads ?? [];
  const key = value === null ? "none" : value.own ? "own" : `thread-${value.thread}`;
  const pick = (picked: string) => {
    if (picked === "none") return void onCommit("none");
    if (picked === "own") return void onCommit({ own: threads[(value?.thread ?? 1) - 1] ?? "#c8553d" });
    return void onCommit({ thread: Number(picked.slice(7)), lighter: value?.lighter ?? 0 });
  };
  return (
    <div className="mt-1">
      <label className="flex items-center justify-between gap-2">
        {label}
        <Pick label={label} className="" value={key} onPick={(picked) => pick(picked)}>
          {none && <option value="none">None</option>}
          {threads.map((_, index) => (
            <option key={index} value={`thread-${index + 1}`}>
              Thread {index + 1}
            </option>
          ))}
          <option value="own">Its own colour</option>
        </Pick>
      </label>
      {value && !value.own && (
        <label className="mt-1 flex items-center justify-between gap-2">
          <span className="muted">{label}, shade</span>
          <Pick
            label={`${label}, shade`}
            className=""
            value={value.lighter ?? 0}
            onPick={(picked) => void onCommit({ ...value, lighter: Number(picked) })}
          >
            {shades(value.lighter ?? 0).map((lighter) => (
              <option key={lighter} value={lighter}>
                {lighter === 0 ? "As the thread" : `${Math.abs(lighter)} % ${lighter < 0 ? "darker" : "lighter"}`}
              </option>
            ))}
          </Pick>
        </label>
      )}
      {value?.own && (
        <div className="mt-1 flex justify-end">
          <ColourField
            label={`${label} colour`}
            value={value.own}
            onPreview={(own) => onPreview({ own })}
            onCommit={(own) => onCommit({ own })}
          />
        </div>
      )}
    </div>
  );
}
