/** Export: what, as what, and how fine; with what will not print. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";

import { download } from "@/shared/download";
import { CHOICES } from "@/shared/api/choices";
import { api, type ExportAsked, type OutputId, Refusal } from "@/shared/api/client";
import { Choice } from "@/shared/ui/Choice";
import { NumberField } from "@/shared/ui/NumberField";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Tick } from "@/shared/ui/Tick";
import { useLength } from "@/shared/ui/unit";
import { plural } from "@/shared/ui/words";
import { watch, workWords, type WorkUnderWay } from "@/shared/work";
import { useChosen, useSheetSession, useFrame } from "@/table/sheet";
import { tableState } from "@/table/state";

import { OutlineFacts, OutlineFields, OutlinePicture, USUAL, useOutline, type Meant } from "./Outline";

type What = "sheet" | "runs" | "chosen" | "run";
type OutlineId = (typeof CHOICES.outlines)[number]["id"];
/** How files of a drawing are made. */
type Look = Pick<ExportAsked, "trimmed" | "margin" | "white">;
type As = OutputId | `outline.${OutlineId}`;

const AS: (readonly [As, string])[] = [
  ...CHOICES.outputs.map(({ id, label }) => [id, label] as const),
  ...CHOICES.outlines.map(({ id, label }) => [`outline.${id}`, `Outline, ${label}`] as const),
];
const isOutline = (as: As): as is `outline.${OutlineId}` => as.startsWith("outline.");
const hasPixels = (as: As) => CHOICES.outputs.some(({ id, pixels }) => id === as && pixels);

/** Resolution of the picture in this dialog; the file's own is asked for. */
const PREVIEW_PPI = 96;

export function Export() {
  const session = useSheetSession();
  const frame = useFrame("revision", "sheet");
  const { path, paths, run } = useChosen();
  const dialog = useRef<HTMLDialogElement>(null);
  const [what, setWhat] = useState<What>("sheet");
  const [as, setAs] = useState<As>("svg");
  const [ppi, setPpi] = useState(300);
  const [look, setLook] = useState<Look>({ trimmed: false, margin: "0 mm", white: false });
  const [asked, setAsked] = useState(USUAL);
  useEffect(() => dialog.current!.showModal(), []);

  const meant: Meant = {
    what: what === "sheet" || what === "chosen" ? "sheet" : "runs",
    ...(what === "run" && run && { run: run.id }),
    ...(what === "chosen" && { paths: paths.map((item) => item.id).join(",") }),
  };
  const readPpi = async (entered: string) => {
    try {
      setPpi((await api.exportFacts(session.id, as as OutputId, { ...meant, ...look, ppi: entered })).ppi);
      return null;
    } catch (error) {
      return (error as Error).message;
    }
  };
  const address = (file: string, more: Record<string, unknown>) => {
    const query = Object.entries({ ...meant, ...more }).map(([key, value]) => [key, String(value)]);
    return `/api/sheets/${session.id}/${file}?${new URLSearchParams(query)}`;
  };
  const picture = address("export.png", {
    ...look,
    ppi: PREVIEW_PPI,
    background: !look.white,
    revision: frame.revision,
  });
  const made = useOutline({ meant, asked, wanted: isOutline(as) });
  const options: [What, string][] = [
    ["sheet", "Sheet with its lines"],
    ["runs", "Every run, no lines"],
    ...(paths.length ? [["chosen", plural(paths.length, "chosen path")] as [What, string]] : []),
    ...(run ? [["run", `Only ${path!.name}`] as [What, string]] : []),
  ];
  return (
    <dialog
      ref={dialog}
      aria-labelledby="export-title"
      className="m-auto w-[760px] rounded-box border border-base-300 bg-base-100 p-0 text-base-content backdrop:bg-black/40"
      onClose={() => tableState().set({ exporting: false })}
    >
      <div className="flex">
        <div className="w-[320px] shrink-0 p-4">
          <h2 id="export-title" className="text-[18px] font-bold">
            Export
          </h2>
          <h3 className="mt-2 mb-1 text-[12px] font-bold">What</h3>
          <Choice label="What" options={options} value={what} onChange={setWhat} />
          <h3 className="mt-3 mb-1 text-[12px] font-bold">As</h3>
          <Choice label="As" options={AS} value={as} onChange={setAs} />
          {isOutline(as) && (
            <OutlineFields meant={meant} asked={asked} dxf={as === "outline.dxf"} onChange={setAsked} />
          )}
          {hasPixels(as) && (
            <div className="mt-2 flex items-center justify-between">
              <span>Pixels per inch</span>
              <NumberField label="Pixels per inch" value={String(ppi)} step={50} onCommit={readPpi} />
            </div>
          )}
          {!isOutline(as) && <LookFields as={as} asked={{ ...meant, ...look, ppi: String(ppi) }} onChange={setLook} />}
          {isOutline(as) ? (
            <OutlineFacts {...made} />
          ) : (
            <Facts
              as={as}
              asked={{ ...meant, ...look, ppi: String(ppi) }}
              place={address("place.json", { ...look, ppi, form: as })}
            />
          )}
          <div className="mt-4 flex flex-wrap gap-2">
            <ExportFile
              address={isOutline(as) ? address(as, asked) : address(`export.${as}`, { ...look, ppi })}
              words={isOutline(as) ? `Export the outline` : `Export ${as.toUpperCase()}`}
            />
            <button
              className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
              onClick={() => dialog.current!.close()}
            >
              Back to the Table
            </button>
          </div>
        </div>
        <figure className="grid min-h-[340px] flex-1 place-items-center border-l border-base-300 bg-base-200 p-4">
          {isOutline(as) ? (
            <OutlinePicture {...made} />
          ) : (
            // On the sheet's own background, or on a dark one, so that white thread is seen; the file has none.
            <img
              src={picture}
              alt={`${frame.sheet.name} as it is exported`}
              className={`max-h-[330px] object-contain ${look.white ? "max-w-full bg-[#2a2f3a]" : "w-full"}`}
            />
          )}
        </figure>
      </div>
    </dialog>
  );
}

/** The button, and while the file is being made how far it is and a way to stop it. */
function ExportFile({ address, words }: { address: string; words: string }) {
  const making = useRef<AbortController | null>(null);
  const [work, setWork] = useState<WorkUnderWay | null>(null);
  const [isMaking, setIsMaking] = useState(false);
  const [said, setSaid] = useState("");
  useEffect(() => () => making.current?.abort(), []);
  const begin = async (event: React.MouseEvent) => {
    event.preventDefault();
    if (making.current) return;
    const { signal } = (making.current = new AbortController());
    setIsMaking(true);
    setSaid("");
    try {
      await watch((named) => download(address, named, signal), setWork);
    } catch (error) {
      if (signal.aborted) return;
      const stopped = error instanceof Refusal && error.stopped;
      setSaid(stopped ? "Stopped. No file was saved." : (error as Error).message);
    } finally {
      making.current = null;
      setIsMaking(false);
    }
  };
  return (
    <>
      <a
        className="rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
        href={address}
        download
        data-testid="export-file"
        onClick={(event) => void begin(event)}
      >
        {isMaking ? "Making the file …" : words}
      </a>
      {work && (
        <button
          className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
          onClick={work.stop}
        >
          Stop
        </button>
      )}
      <p role="status" className="order-last basis-full text-[12px]">
        {work && workWords(work)}
      </p>
      {said && (
        <p role="alert" className="order-last basis-full text-[12px]">
          {said}
        </p>
      )}
    </>
  );
}

/** Trimmed to what is drawn, with a margin; and all in white, to be tinted elsewhere. */
function LookFields({ as, asked, onChange }: { as: OutputId; asked: ExportAsked; onChange: (look: Look) => void }) {
  const session = useSheetSession();
  const { trimmed, margin, white } = asked;
  const look = { trimmed, margin, white };
  const read = async (entered: string) => {
    try {
      const facts = await api.exportFacts(session.id, as, { ...asked, trimmed: true, margin: entered });
      onChange({ ...look, margin: facts.margin });
      return null;
    } catch (error) {
      return (error as Error).message;
    }
  };
  return (
    <div className="mt-3">
      <Tick label="Trimmed to the artwork" on={trimmed} onChange={(on) => onChange({ ...look, trimmed: on })} />
      {trimmed && <NumberLine label="Margin, on paper" value={margin} step={1} onCommit={read} />}
      <Tick label="All in white, to be tinted" on={white} onChange={(on) => onChange({ ...look, white: on })} />
    </div>
  );
}

function Facts({ as, asked, place }: { as: OutputId; asked: ExportAsked; place: string }) {
  const session = useSheetSession();
  const { bare, text } = useLength();
  const frame = useFrame("revision");
  const { data, error } = useQuery({
    queryKey: ["export", session.id, frame.revision, as, asked],
    queryFn: () => api.exportFacts(session.id, as, asked),
    placeholderData: keepPreviousData,
  });
  if (error)
    return (
      <p role="alert" className="mt-3">
        {error.message}
      </p>
    );
  if (!data) return null;
  const size = `${bare(data.width_mm, 1)} × ${text(data.height_mm, 1)}`;
  const pixels = `${data.width_px.toLocaleString("en")} × ${data.height_px.toLocaleString("en")} px`;
  return (
    <>
      <p className="mt-3">
        <span className="measure">{hasPixels(as) ? `${pixels}, ${size}` : size}</span>
        <br />
        {plural(data.runs, "run")} on the sheet
        {asked.trimmed && (
          <>
            <br />
            Begins <span className="measure whitespace-nowrap">{text(data.left_mm, 2)}</span> from the sheet’s left,{" "}
            <span className="measure whitespace-nowrap">{text(data.top_mm, 2)}</span> from its top:{" "}
            <a className="text-accent underline decoration-dotted underline-offset-2" href={place} download>
              its place, as JSON
            </a>
          </>
        )}
      </p>
      <Notes title="Too fine to print well" notes={data.fine} />
      <Notes title="Left out" notes={data.left_out} />
    </>
  );
}

function Notes({ title, notes }: { title: string; notes: string[] }) {
  if (!notes.length) return null;
  return (
    <div
      {...stop}
      className="mt-2 max-h-[120px] overflow-y-auto border-l-4 border-error bg-error/12 px-2.5 py-1.5 text-[12px]"
    >
      <p className="font-semibold">{title}</p>
      <ul>
        {notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </ul>
    </div>
  );
}
