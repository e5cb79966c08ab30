import type { Schemas } from "../../api/client";

export type Lesson = Schemas["Lesson"];
export type LessonStep = Lesson["steps"][number];
export type Result = Schemas["Result"];
export type Cause = Schemas["Cause"];

/** What was counted and noted of a step, until its result is said. */
export type Counted = {
  stumbles: number;
  tempo: number | null;
  cause: Cause | "";
  bar: number | null;
  note: string;
};

export const NOTHING: Counted = { stumbles: 0, tempo: null, cause: "", bar: null, note: "" };

/** One key for each result, with the state it looks like. */
export const RESULTS: [key: string, result: Result, words: string, looks: Schemas["State"], share: number][] = [
  ["1", "not_yet", "not yet", "waiting", 0],
  ["2", "shaky", "shaky", "begun", 0.5],
  ["3", "steady", "steady", "steady", 1],
  ["4", "secure", "secure", "secure", 1],
];
export const WORDS: Record<Result, string> = {
  not_heard: "not heard",
  not_yet: "not yet",
  shaky: "shaky",
  steady: "steady",
  secure: "secure",
};
export const CAUSES: [Cause, string][] = [
  ["notes", "notes"],
  ["rhythm", "rhythm"],
  ["fingers", "fingers"],
  ["together", "hands together"],
  ["stops", "stops"],
  ["tempo", "tempo"],
];

export const keyOf = (one: LessonStep) => `${one.assignment_id}/${one.id}`;

export const counted = (one: LessonStep): Counted =>
  one.details
    ? {
        stumbles: one.details.stumbles ?? 0,
        tempo: one.details.tempo,
        cause: (one.details.cause ?? "") as Cause | "",
        bar: one.details.bar,
        note: one.details.note ?? "",
      }
    : NOTHING;
