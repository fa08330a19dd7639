/** Controlled irregularity, channel by channel. */
import type { SwayDoc } from "@/shared/api/types";
import { Choice } from "@/shared/ui/Choice";
import { NumberField } from "@/shared/ui/NumberField";
import { CHANNELS, DRIVERS } from "@/shared/ui/trade";
import { Pick } from "@/shared/ui/Pick";

import { CurvePad } from "./CurvePad";
import { Decision } from "./Decision";
import { useMaker, useRow } from "./maker";
import { QuietButton } from "./QuietButton";

type Channel = (typeof CHANNELS)[number][0];

/** `newSeed` throws the chances anew, where there is a run to throw them for. */
export function Sway({ newSeed }: { newSeed?: () => void }) {
  const place = useRow();
  const settings = useMaker();
  if (!place) return null;
  const rules = place.row.sway ?? [];
  const pointer = place.at("sway");
  const add = (channel: string) =>
    settings.keepValue(pointer, [...rules, { channel: channel as Channel, driver: "chance", amount: 10 }]);
  return (
    <Decision id="sway" label="Sway" set={rules.length ? rules.map(inWords).join(", ") : "none"} pointers={[pointer]}>
      {rules.map((rule, index) => (
        <Rule key={index} rule={rule} index={index} rules={rules} pointer={pointer} />
      ))}
      <div className="mt-1 flex flex-wrap items-center gap-1">
        <Pick label="Add sway" className="text-[12px]" value="" onPick={(picked) => void add(picked)}>
          <option value="">Add sway …</option>
          {CHANNELS.map(([key, name]) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </Pick>
        {newSeed && rules.some((rule) => rule.driver === "chance") && (
          <QuietButton onClick={newSeed}>Shuffle</QuietButton>
        )}
      </div>
    </Decision>
  );
}

function inWords(rule: SwayDoc): string {
  const [, name, unit] = CHANNELS.find(([key]) => key === rule.channel)!;
  return `${name.toLowerCase()} ${rule.amount}${unit === "%" ? " %" : unit}`;
}

/** The curves that a driver has while none is drawn, to be drawn over. */
const STEPS = Array.from({ length: 24 }, (_, i) => i / 23);
const PLAIN = {
  chance: [],
  rhythm: STEPS.map((step) => Math.sin(2 * Math.PI * step)),
  travel: STEPS.map((step) => 2 * step - 1),
};

interface RuleProps {
  rule: SwayDoc;
  index: number;
  rules: readonly SwayDoc[];
  pointer: string;
}

function Rule({ rule, index, rules, pointer }: RuleProps) {
  const settings = useMaker();
  const [, name, unit] = CHANNELS.find(([key]) => key === rule.channel)!;
  const changed = (values: Partial<SwayDoc>) => rules.map((item, i) => (i === index ? { ...item, ...values } : item));
  const keep = (values: Partial<SwayDoc>) => settings.keepValue(pointer, changed(values));
  return (
    <div className="mt-1 border-t border-dotted border-base-300 pt-1" data-testid={`sway-${rule.channel}`}>
      <div className="flex items-center justify-between gap-2">
        <span>{name}</span>
        <span className="flex items-center gap-1">
          <NumberField
            label={`${name} sway`}
            value={`${rule.amount}${unit === "%" ? " %" : unit}`}
            step={1}
            onPreview={(entered) => settings.tryOut(`${pointer}/${index}/amount`, entered)}
            onCommit={(entered) => settings.keep(`${pointer}/${index}/amount`, entered)}
            onCancel={settings.forget}
          />
          <QuietButton
            onClick={() =>
              settings.keepValue(
                pointer,
                rules.filter((_, i) => i !== index),
              )
            }
          >
            Remove
          </QuietButton>
        </span>
      </div>
      <div className="mt-1">
        <Choice
          label={`${name} by`}
          options={DRIVERS}
          value={rule.driver!}
          onChange={(driver) => void keep({ driver })}
        />
      </div>
      {rule.driver === "rhythm" && (
        <div className="mt-1 flex items-center justify-between">
          <span>Every</span>
          <NumberField
            label={`${name} period, repeats`}
            value={String(rule.period)}
            step={1}
            onPreview={(entered) => settings.tryOut(`${pointer}/${index}/period`, entered)}
            onCommit={(entered) => settings.keep(`${pointer}/${index}/period`, entered)}
            onCancel={settings.forget}
          />
        </div>
      )}
      {rule.driver !== "chance" && (
        <CurvePad
          label={`${name} curve`}
          values={rule.wave?.length ? rule.wave : PLAIN[rule.driver!]}
          onTry={(wave) => settings.tryValue(pointer, changed({ wave }))}
          onKeep={(wave) => void keep({ wave })}
        />
      )}
    </div>
  );
}
