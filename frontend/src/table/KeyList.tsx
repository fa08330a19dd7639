/** The list of all keys, opened by the ? key. */
import { Dialog } from "@/shared/ui/Dialog";
import { Tick } from "@/shared/ui/Tick";

import { KEY_LIST, setSingleKeys, useSingleKeys } from "./keys";
import { tableState } from "./state";

export function KeyList() {
  const { on } = useSingleKeys();
  return (
    <Dialog title="Keys" onClose={() => tableState().set({ keyList: false })}>
      <div className="columns-2 gap-8">
        {KEY_LIST.map(([where, keys]) => (
          <section key={where} aria-label={where} className="mb-3 break-inside-avoid">
            <h3 className="font-bold">{where}</h3>
            <dl>
              {keys.map(({ keys: pressed, does }) => (
                <div key={pressed} className="flex justify-between gap-4 border-b border-dotted border-base-300 py-0.5">
                  <dt className="measure shrink-0">{pressed}</dt>
                  <dd className="text-right">{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <div className="mt-3">
        <Tick label="Single-letter keys" on={on} onChange={setSingleKeys} />
      </div>
    </Dialog>
  );
}
