/** Requests to the server, and what it says where they fail. */
import createClient from "openapi-fetch";

import type { Work } from "../work";

import type { components, paths } from "./schema";
import type { Problem } from "./types";

export const client = createClient<paths>();

/** What the server says went wrong, in words for the person. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    /** Of a sheet that cannot be shown: its revision, and what undo takes back. */
    readonly sheet: { revision: number; undo: string | null } | null = null,
  ) {
    super(detail);
  }

  /** Whether the server did not answer at all. */
  get unreached() {
    return this.status === 0;
  }

  /** Whether another page changed the same thing first. */
  get stale() {
    return this.status === 409 && !this.stopped;
  }

  /** Whether it was stopped from here. */
  get stopped() {
    return this.title === "Stopped";
  }
}

/** Whether something failed as the server could not be reached: it is asked for again. */
export const isUnreached = (error: unknown) => error instanceof Refusal && error.unreached;

export interface Reply<Data> {
  data?: Data;
  error?: unknown;
  response: Response;
}

/** What is answered; throws what the server says against it. */
export async function settled<Data>(request: Promise<Reply<Data>>): Promise<Data> {
  let reply: Reply<Data>;
  try {
    reply = await request;
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") throw error;
    throw new Refusal(0, "No answer", "Curlet’s server does not answer. Is it still running?");
  }
  if (!reply.response.ok) throw refusalOf(reply.response.status, reply.error as Problem | undefined);
  return reply.data as Data;
}

function refusalOf(status: number, problem: Problem | undefined) {
  return new Refusal(
    status,
    problem?.title ?? "That did not work",
    problem?.detail ?? "The server gave no reason. Try again.",
    problem?.revision != null ? { revision: problem.revision, undo: problem.undo ?? null } : null,
  );
}

export type Schemas = components["schemas"];

/** A reply as its schema has it; the client's own type forgets how many numbers a point has. */
export async function exact<Name extends keyof Schemas>(request: Promise<Reply<unknown>>): Promise<Schemas[Name]> {
  return (await settled(request)) as Schemas[Name];
}

export const binary = { parseAs: "arrayBuffer" } as const;

/** A request whose progress can be asked for and that can be stopped. */
export const watched = (work: Work) => ({ headers: { "Curlet-Work": work.name } });

/** A file that is made as it is fetched, with the headers that name it. */
export async function fileAt(address: string, work: Work | null, signal?: AbortSignal): Promise<Response> {
  const reply = await fetch(address, { signal: signal ?? null, ...(work && watched(work)) });
  if (reply.ok) return reply;
  throw refusalOf(reply.status, (await reply.json().catch(() => undefined)) as Problem | undefined);
}

/** A form with files, as the body of a request. */
export function form(fields: Record<string, string | File | readonly (string | File)[]>) {
  const body = new FormData();
  for (const [name, field] of Object.entries(fields)) {
    for (const value of Array.isArray(field) ? (field as readonly (string | File)[]) : [field as string | File])
      body.append(name, value);
  }
  return { body: body as never, bodySerializer: (sent: unknown) => sent as FormData };
}
