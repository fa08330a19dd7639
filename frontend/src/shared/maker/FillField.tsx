/** What a thread, or a cloth, is filled with: a colour of its own, a shade of the card, or what its path has. */
import { ColourField } from "@/shared/ui/ColourField";
import { Pick } from "@/shared/ui/Pick";

import { OF_PATH, shadeRef, useShades } from "./shades";

interface Props {
  label: string;
  colour: string;
  /** The id of the shade that it is, if it is one. */
  shade: string | null;
  /** Whether it may be the path's colour, and whether it is. */
  ofPath?: boolean;
  onPreview: (entered: string) => void;
  /** Resolves to what was wrong, or to null. */
  onCommit: (entered: string) => Promise<string | null>;
}

const [OWN, NEW] = ["own", "new"];

export function FillField({ label, colour, shade, ofPath, onPreview, onCommit }: Props) {
  const card = useShades();
  if (!card) return <ColourField label={label} value={colour} onPreview={onPreview} onCommit={onCommit} />;
  const pick = async (picked: string) => {
    if (picked === OWN) await onCommit(colour);
    else if (picked !== NEW) await onCommit(picked);
    else {
      const made = await card.add(colour);
      if (made) await onCommit(made);
    }
  };
  const named = card.shades.find((item) => item.id === shade);
  return (
    <div className="flex min-w-0 flex-wrap items-center justify-end gap-1">
      <Pick
        label={`${label} from`}
        className="max-w-[122px] min-w-0"
        value={named ? shadeRef(named.id) : ofPath ? OF_PATH : OWN}
        onPick={(picked) => void pick(picked)}
      >
        <option value={OWN}>Own colour</option>
        {ofPath !== undefined && <option value={OF_PATH}>As the path has it</option>}
        {card.shades.length > 0 && (
          <optgroup label="Shades">
            {card.shades.map((item) => (
              <option key={item.id} value={shadeRef(item.id)}>
                {item.name}
              </option>
            ))}
          </optgroup>
        )}
        <option value={NEW}>New shade of it …</option>
      </Pick>
      {named ? (
        <button
          className="own-colour h-6 w-9 cursor-pointer rounded-field border border-base-content/60"
          style={{ background: colour }}
          aria-label={`${label}: ${named.name}, on the shade card`}
          title={`${named.name}: change it on the shade card`}
          onClick={() => card.open(named.id)}
        />
      ) : ofPath ? (
        <span
          className="own-colour h-6 w-9 rounded-field border border-base-content/60"
          style={{ background: colour }}
        />
      ) : (
        <ColourField label={label} value={colour} onPreview={onPreview} onCommit={onCommit} />
      )}
    </div>
  );
}
