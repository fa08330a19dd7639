/** Areas: made of what is chosen, in one of four ways; and what an area is made of. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api } from "@/shared/api/client";
import type { AreaMember, AreaShown, Intent, PathShown, RunShown, WaysShown } from "@/shared/api/types";
import { Decision } from "@/shared/maker/Decision";
import { QuietButton } from "@/shared/maker/QuietButton";
import { ChoiceLine } from "@/shared/ui/ChoiceLine";
import { NumberLine } from "@/shared/ui/NumberLine";
import { Pick } from "@/shared/ui/Pick";
import { Tick } from "@/shared/ui/Tick";
import { USES, WAYS, wordOf } from "@/shared/ui/trade";
import { plural } from "@/shared/ui/words";

import { useChosen, useFrame, useSheetSession, useShown } from "../sheet";

type Way = WaysShown["ways"][number]["way"];
type Of = "paths" | "runs" | "filled";

const OF = [
  ["paths", "Paths"],
  ["runs", "Runs"],
  ["filled", "Runs, filled"],
] as const;

/** What the chosen paths make: offered where any of them is closed or has a brush. */
export function NewArea() {
  const session = useSheetSession();
  const { paths } = useChosen();
  const { runs, areas } = useFrame("runs", "areas");
  const [of, setOf] = useState<Of>("paths");
  const [wished, setHide] = useState(true);
  const dressed = paths.some((path) => runs.some((run) => run.path === path.id));
  const members = membersOf(paths, runs, dressed ? of : "paths");
  const own = [...new Set(paths.flatMap((path) => path.area ?? []))];
  const others = members.filter((member) => member.id !== own[0]);
  // Paths whose runs make the area stay in sight.
  const hidden = members.some((member) => member.kind !== "run");
  const hide = hidden && wished;
  const make = async (way: Way) => {
    const before = new Set(areas.map((area) => area.id));
    await session.command({ kind: "make-area", members, way, hide });
    session.chooseAll((path) => path.area !== null && !before.has(path.area));
  };
  if (!members.length || (members.length === 1 && of === "paths" && !dressed)) return null;
  return (
    <Decision id="new-area" label="Area" set={`of ${plural(members.length, "shape")}`}>
      {dressed && (
        <ChoiceLine words="Made of" label="What the area is made of" options={OF} value={of} onChange={setOf} />
      )}
      {members.length > 1 ? (
        <Ways members={members} onPick={(way) => void make(way)} />
      ) : (
        <div className="mt-1">
          <QuietButton onClick={() => make("join")}>Make an area of it</QuietButton>
        </div>
      )}
      {hidden && (
        <div className="mt-1">
          <Tick label="Hide the paths that it is made of" on={wished} onChange={setHide} />
        </div>
      )}
      {own.length === 1 && others.length > 0 && areas.some((area) => area.id === own[0]) && (
        <div className="mt-1 text-right">
          <QuietButton onClick={() => session.command({ kind: "set-area", area: own[0]!, add: others })}>
            Add the others to the area
          </QuietButton>
        </div>
      )}
    </Decision>
  );
}

/** The chosen paths as an area's shapes: an edge stands for its whole area. */
function membersOf(paths: PathShown[], runs: RunShown[], of: Of): AreaMember[] {
  const found = new Map<string, AreaMember>();
  for (const path of paths) {
    const run = of === "paths" ? undefined : runs.findLast((item) => item.path === path.id);
    const use = of === "filled" && path.closed ? "filled" : "shape";
    if (run) found.set(run.id, { kind: "run", id: run.id, use });
    else if (path.area) found.set(path.area, { kind: "area", id: path.area, use: "shape" });
    else if (path.closed) found.set(path.id, { kind: "path", id: path.id, use: "shape" });
  }
  return [...found.values()];
}

/** What the shapes would make in each way, as pictures to press. */
function Ways({ members, now, onPick }: { members: AreaMember[]; now?: Way; onPick: (way: Way) => void }) {
  const { sheet, revision } = useShown((frame) => frame);
  const { data, error } = useQuery({
    queryKey: ["ways", sheet.id, revision, members],
    queryFn: () => api.ways(sheet.id, members),
    retry: false,
  });
  if (error) return <p className="mt-1 border-l-4 border-error bg-error/15 px-2.5 py-1.5">{error.message}</p>;
  return (
    <div className="mt-1 grid grid-cols-2 gap-1" role="group" aria-label="How the shapes make an area">
      {WAYS.map(([way, label]) => (
        <WayButton key={way} label={label} pressed={now === way} data={data} way={way} onPick={() => onPick(way)} />
      ))}
    </div>
  );
}

interface WayProps {
  label: string;
  way: Way;
  pressed: boolean;
  data: WaysShown | undefined;
  onPick: () => void;
}

function WayButton({ label, way, pressed, data, onPick }: WayProps) {
  const shown = data?.ways.find((item) => item.way === way);
  const room = data ? Math.max(data.width, data.height) * 0.06 : 0;
  const box = data && [data.left - room, data.top - room, data.width + 2 * room, data.height + 2 * room];
  return (
    <button
      className={`cursor-pointer rounded-field border px-1.5 py-1 text-left text-[12px] hover:border-base-content disabled:cursor-default disabled:opacity-60 ${
        pressed ? "border-2 border-base-content font-semibold" : "border-(--edge)"
      }`}
      aria-pressed={pressed}
      data-testid={`way-${way}`}
      disabled={!shown || shown.empty !== null}
      title={shown?.empty ?? undefined}
      onClick={onPick}
    >
      <svg aria-hidden className="h-12 w-full" viewBox={box?.join(" ")}>
        {shown?.d && <path d={shown.d} fillRule="evenodd" className="fill-accent" />}
      </svg>
      {label}
    </button>
  );
}

/** What the chosen area is made of. */
export function ThisArea({ id }: { id: string }) {
  const session = useSheetSession();
  const { areas } = useFrame("areas");
  const area = areas.find((item) => item.id === id);
  if (!area) return null;
  const several = area.members.length > 1;
  const set = async (values: object) => {
    await session.command({ kind: "set-area", area: id, ...values });
    // Edges may have come and gone: all of them stay chosen.
    session.chooseAll((path) => path.area === id);
  };
  return (
    <Decision
      id="area"
      label="Area"
      set={several ? `${wordOf(WAYS, area.way)}, ${plural(area.members.length, "shape")}` : area.members[0]!.name}
      result={area.paths.length > 1 ? plural(area.paths.length, "edge") : undefined}
    >
      {several && (
        <Ways
          members={area.members.map(({ kind, id: of, use }) => ({ kind, id: of, use }))}
          now={area.way}
          onPick={(way) => void set({ way })}
        />
      )}
      <ol className="mt-2">
        {area.members.map((member, index) => (
          <Member
            key={member.id}
            member={member}
            first={index === 0}
            alone={!several}
            set={(values) => void set({ member: member.id, ...values })}
          />
        ))}
      </ol>
      <CleanEdges area={area} />
      <div className="mt-1.5 text-right">
        <QuietButton onClick={() => session.command({ kind: "free-area", area: id })}>Convert to paths</QuietButton>
      </div>
    </Decision>
  );
}

const CORNERS = [
  ["round", "Round"],
  ["sharp", "Sharp"],
] as const;

/** How an area's edges are cleaned; tried while a number is entered. */
function CleanEdges({ area }: { area: AreaShown }) {
  const session = useSheetSession();
  const field = (name: "gaps" | "grow" | "least", label: string, step: number) => {
    const set = (entered: string): Intent => ({ kind: "set-area", area: area.id, [name]: entered });
    return (
      <NumberLine
        label={label}
        value={area.clean[name]}
        step={step}
        onPreview={(entered) => session.preview(set(entered))}
        onCommit={(entered) => session.entered(set(entered))}
        onCancel={() => session.dropPreviews(true)}
      />
    );
  };
  return (
    <div role="group" aria-label="Clean outline" className="mt-2">
      <p className="muted text-[12px]">Clean outline: {plural(area.nodes, "node")}</p>
      {field("gaps", "Close gaps under", 1)}
      {field("grow", "Grow by", 1)}
      {area.clean.grow !== "0 mm" && (
        <ChoiceLine
          words="Corners"
          label="Corners of the grown area"
          options={CORNERS}
          value={area.clean.round ? "round" : "sharp"}
          onChange={(corners) => void session.command({ kind: "set-area", area: area.id, round: corners === "round" })}
        />
      )}
      {field("least", "Drop pieces under", 0.1)}
    </div>
  );
}

interface MemberProps {
  member: AreaShown["members"][number];
  first: boolean;
  alone: boolean;
  set: (values: object) => void;
}

/** One of an area's shapes: what of it is used, and whether it is. */
function Member({ member, first, alone, set }: MemberProps) {
  return (
    <li className="border-b border-dotted border-base-300 py-1">
      <span className="block truncate">{member.name}</span>
      <span className="flex flex-wrap items-center gap-1">
        {member.kind === "run" && (
          <Pick label={`What of ${member.name} is used`} value={member.use ?? "shape"} onPick={(use) => set({ use })}>
            {USES.map(([use, words]) => (
              <option key={use} value={use}>
                {words}
              </option>
            ))}
          </Pick>
        )}
        {!first && (
          <QuietButton label={`First: ${member.name}`} onClick={() => set({ first: true })}>
            First
          </QuietButton>
        )}
        {!alone && (
          <QuietButton label={`Leave out ${member.name}`} onClick={() => set({ leave_out: true })}>
            Leave out
          </QuietButton>
        )}
      </span>
    </li>
  );
}
