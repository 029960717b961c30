import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
/** The board as the page holds it: always with its plan. */
export type BoardView = Schemas["BoardView"] & { plan: Plan };
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
export type AfterPage = Schemas["AfterPage"];
export type UsedPage = Schemas["UsedPage"];
export type TakenPart = Schemas["TakenPart"];
export type LearntLine = Schemas["LearntLine"];
export type PictureReading = Schemas["PictureReading"];
export type PartAsUsed = Schemas["PartAsUsed"];
export type HandAsUsed = Schemas["HandAsUsed"];
export type SeldomPage = Schemas["SeldomPage"];
export type TaughtFigure = NonNullable<Schemas["Part"]["taught"]>[number];
export type Spread = Schemas["Spread"];
export type SeasonPage = Schemas["SeasonPage"];
export type SeasonGap = Schemas["SeasonGap"];
export type SeasonTick = Schemas["SeasonTick"];
export type CarriedOver = Schemas["CarriedOver"];
export type Insurance = Schemas["Insurance"];
export type CopyTask = Schemas["CopyTask"];
export type CardCopyRequest = Schemas["CardCopyRequest"];
export type CardPages = Schemas["CardPages"];
export type RecordedCard = Schemas["RecordedCard"];
export type BagDay = Schemas["BagDay"];
export type PairingOffer = Schemas["PairingOffer"];
export type PocketDay = Schemas["PocketDay"];
export type PocketPart = Schemas["PocketPart"];
export type PocketNeed = Schemas["PocketNeed"];
export type PocketDuty = Schemas["PocketDuty"];
export type PocketAnswer = Schemas["PocketAnswer"];
export type PocketLoss = Schemas["PocketLoss"];
export type RestOfDay = Schemas["RestOfDay"];
export type PersonCard = Schemas["PersonCard"];
export type DayQuestion = Schemas["DayQuestion"];
export type RecordGiven = Schemas["RecordGiven"];
export type PhoneRecord = Schemas["PhoneRecord"];
export type TextPiece = Schemas["TextPiece"];
export type LateDay = Schemas["LateDay"];
export type LossKind = Schemas["LossKind"];
export type PhonePage = Schemas["PhonePage"];
export type ModuleTold = Schemas["ModuleTold"];
export type StyleDay = Schemas["StyleDay"];
export type BagFitDay = Schemas["BagFitDay"];
export type Manifest = Schemas["Manifest"];
export type CarrierRules = NonNullable<Schemas["CarrierRules"]>;
export type CheckedLists = Schemas["CheckedLists"];
export type CheckedList = Schemas["CheckedList"];
export type CheckedLine = Schemas["CheckedLine"];
export type Beam = Schemas["Beam"];
export type Burden = Schemas["Burden"];
export type Place = Schemas["Place"];
export type Sending = Schemas["Sending"];
export type FactRequest = Schemas["FactRequest"];
export type CardDay = Schemas["CardDay"];
export type CardRules = Schemas["CardRules"];
export type CardWay = Schemas["CardWay"];
export type CardLoss = Schemas["CardLoss"];
export type CardStay = Schemas["CardStay"];
export type PowerDay = Schemas["PowerDay"];
export type PowerRules = Schemas["PowerRules"];
export type UseLevel = Schemas["UseLevel"];
export type PowerBand = Schemas["PowerBand"];
export type Swap = Schemas["Swap"];
export type SwapChanges = Schemas["SwapChanges"];
export type Mend = Schemas["Mend"];
export type SetupChoice = Schemas["SetupChoice"];
export type PutNeed = Schemas["PutNeed"];
export type NeedTried = Schemas["NeedTried"];
export type NeedAnswer = Schemas["NeedAnswer"];
export type LockerPage = Schemas["LockerPage"];
export type ThingView = Schemas["ThingView"];
export type ThingDetail = Schemas["ThingDetail"];
export type FigureValue = Schemas["FigureValue"];
export type Figure = Schemas["Figure"];
export type TimetableCompared = Schemas["TimetableCompared"];
export type TimetableChange = Schemas["TimetableChange"];
export type TimetableLine = Schemas["TimetableLine"];
export type TypedForm = Schemas["TypedForm"];
export type QuickLine = Schemas["QuickLine"];
export type ImportAnswer = Schemas["ImportAnswer"];
export type Subject = NonNullable<Schemas["Subject"]>;
export type Motion = NonNullable<Schemas["Motion"]>;
export type PlacedLight = Schemas["PlacedLight"];
export type Person = Schemas["Person"];
export type SearchProgress = NonNullable<Schemas["SetupsAnswer"]["progress"]>;
export type SetupsProposal = Schemas["SetupsProposal"];
export type SetupTrade = Schemas["SetupTrade"];
export type Habits = Schemas["Habits"];
export type Illumination = Schemas["Illumination"];
export type PartKind = Schemas["PartKind"];
export type Pinch = Schemas["Pinch"];
export type Knot = Schemas["Knot"];
export type Strand = Schemas["Strand"];
export type Computed = Schemas["Computed"];
export type DepthPreset = NonNullable<Schemas["DepthPreset"]>;
export type BounceColour = Schemas["BounceColour"];
export type LightKind = Schemas["LightKind"];
export type KitProgress = NonNullable<Schemas["KitAnswer"]["progress"]>;
export type DeadWeightProposal = NonNullable<Schemas["DeadWeightAnswer"]["found"]>;
export type DeadWeightProgress = NonNullable<Schemas["DeadWeightAnswer"]["progress"]>;
export type KitProposal = NonNullable<Schemas["KitAnswer"]["found"]>;
export type FailureClass = Schemas["FailureClass"];
export type KitGoal = Schemas["KitGoal"];
export type WhatIfView = Schemas["WhatIfView"];
export type WhatIfRow = Schemas["WhatIfRow"];
export type PairFit = Schemas["PairFit"];
export type GlassRule = Schemas["GlassRule"];
export type AssignmentSummary = Schemas["AssignmentSummary"];
export type Shelf = Schemas["Shelf"];
export type WhenPlanned = NonNullable<Schemas["RemoveRequest"]["planned"]>;

export const api = createClient<paths>({ baseUrl: "/" });

/** What the server said it could not do, as problem details (RFC 9457). */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    title: string,
    readonly lines: string[],
    /** The same by field, where the server says which. */
    readonly fields: { field: string; message: string }[] = [],
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
  throw problemOf(response.status, error);
}

function problemOf(status: number, told: unknown) {
  const problem = (told ?? {}) as { title?: string; detail?: string; errors?: ProblemError["fields"] };
  const lines = problem.detail?.split("\n").filter(Boolean) ?? [];
  return new ProblemError(
    status,
    problem.title ?? `The server answered ${status}.`,
    lines,
    problem.errors ?? [],
  );
}

/** Reads an answer that comes line by line while the server searches; closing it stops the search. */
export async function readLines<T>(
  url: string,
  signal: AbortSignal,
  each: (line: T) => void,
  method: "GET" | "POST" = "GET",
) {
  const response = await fetch(url, { signal, method });
  if (!response.ok || !response.body) {
    throw problemOf(response.status, await response.json().catch(() => ({})));
  }
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  for (;;) {
    const { done, value } = await reader.read();
    rest += value ?? "";
    const lines = rest.split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) if (line) each(JSON.parse(line) as T);
    if (done) return;
  }
}

/** For bodies that are files: they go as they are, it is the server that reads them. */
export const asItIs = {
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { "Content-Type": "application/octet-stream" },
};
