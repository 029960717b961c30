import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type BoardView = Schemas["BoardView"];
export type Plan = Schemas["Plan"];
export type Part = Schemas["Part"];
export type Need = Schemas["Need"];
export type Item = Schemas["Item"];
export type Setup = Schemas["Setup"];
export type PlanEdit = Schemas["PlanEdit"];
export type Report = Schemas["Report"];
export type NeedReport = Schemas["NeedReport"];
export type NeedExplanation = Schemas["NeedExplanation"];
export type Weighed = Schemas["Weighed"];
export type Step = Schemas["Step"];
export type Outcome = Schemas["Outcome"];
export type PullResult = Schemas["PullResult"];
export type Mend = Schemas["Mend"];
export type SetupChoice = Schemas["SetupChoice"];
export type Verdict = Schemas["Verdict"];
export type LockerPage = Schemas["LockerPage"];
export type ThingView = Schemas["ThingView"];
export type ThingDetail = Schemas["ThingDetail"];
export type FigureValue = Schemas["FigureValue"];
export type Figure = Schemas["Figure"];
export type QuickLine = Schemas["QuickLine"];
export type ImportAnswer = Schemas["ImportAnswer"];
export type Subject = NonNullable<Schemas["Subject"]>;
export type Motion = NonNullable<Schemas["Motion"]>;
export type WhatIfView = Schemas["WhatIfView"];
export type WhatIfRow = Schemas["WhatIfRow"];
export type PairFit = Schemas["PairFit"];
export type GlassRule = Schemas["GlassRule"];
export type AssignmentSummary = Schemas["AssignmentSummary"];

export const api = createClient<paths>({ baseUrl: "/" });

/** What the server said it could not do, as problem details (RFC 9457). */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    title: string,
    readonly lines: string[],
  ) {
    super(title);
  }
}

/** The data of an answer, or a ProblemError. A server that does not answer is a problem too. */
export async function answer<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  const { data, error, response } = await request.catch(() => {
    throw new ProblemError(0, "The server does not answer. Nothing was changed; try again.", []);
  });
  if (response.ok && data !== undefined) return data;
  const problem = (error ?? {}) as { title?: string; detail?: string };
  const lines = problem.detail?.split("\n").filter(Boolean) ?? [];
  throw new ProblemError(response.status, problem.title ?? `The server answered ${response.status}.`, lines);
}

/** For bodies that are files: they go as they are, it is the server that reads them. */
export const asItIs = {
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { "Content-Type": "application/octet-stream" },
};
