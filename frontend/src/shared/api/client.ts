/** Talking to the server. */
import createClient from "openapi-fetch";

import { type Frame, readFrame } from "./frame";
import type { paths } from "./schema";
import type { Intent, Problem } from "./types";

const client = createClient<paths>();

/** What the server says went wrong, in words for the person. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
  ) {
    super(detail);
  }
}

interface Reply {
  data?: unknown;
  error?: unknown;
  response: Response;
}

async function settled<T>(request: Promise<Reply>): Promise<T> {
  let reply: Reply;
  try {
    reply = await request;
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") throw error;
    throw new Refusal(0, "No answer", "Curlet’s server does not answer. Is it still running?");
  }
  if (!reply.response.ok) {
    const problem = reply.error as Problem | undefined;
    throw new Refusal(
      reply.response.status,
      problem?.title ?? "That did not work",
      problem?.detail ?? "The server gave no reason. Try again.",
    );
  }
  return reply.data as T;
}

async function frame(request: Promise<Reply>): Promise<Frame> {
  return readFrame(await settled<ArrayBuffer>(request));
}

const at = (sheet_id: string) => ({ path: { sheet_id } });
const binary = { parseAs: "arrayBuffer" } as const;

export const api = {
  sheets: () =>
    settled<{ sheets: { id: string; name: string; scale: string }[] }>(client.GET("/api/sheets")),

  sheet: (id: string) =>
    frame(client.GET("/api/sheets/{sheet_id}", { params: at(id), ...binary })),

  command: (id: string, revision: number, intent: Intent) =>
    frame(
      client.POST("/api/sheets/{sheet_id}/commands", {
        params: at(id),
        body: { revision, intent },
        ...binary,
      }),
    ),

  preview: (id: string, revision: number, intent: Intent, signal: AbortSignal) =>
    frame(
      client.POST("/api/sheets/{sheet_id}/preview", {
        params: at(id),
        body: { revision, intent },
        signal,
        ...binary,
      }),
    ),

  undo: (id: string, revision: number) =>
    frame(
      client.POST("/api/sheets/{sheet_id}/undo", { params: at(id), body: { revision }, ...binary }),
    ),

  redo: (id: string, revision: number) =>
    frame(
      client.POST("/api/sheets/{sheet_id}/redo", { params: at(id), body: { revision }, ...binary }),
    ),

  takeIn: (id: string, revision: number, file: File) => {
    const form = new FormData();
    form.set("revision", String(revision));
    form.set("file", file);
    return frame(
      client.POST("/api/sheets/{sheet_id}/take-in", {
        params: at(id),
        body: form as never,
        bodySerializer: (body: unknown) => body as FormData,
        ...binary,
      }),
    );
  },

  sendOutFacts: (id: string, ppi: number) =>
    settled<import("./types").SendOutFacts>(
      client.GET("/api/sheets/{sheet_id}/send-out.json", {
        params: { ...at(id), query: { ppi } },
      }),
    ),
};
