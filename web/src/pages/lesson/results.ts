import type { Schemas } from "../../api/client";
import { t } from "../../words";

export type Lesson = Schemas["Lesson"];
export type LessonStep = Lesson["steps"][number];
/** What is heard at once: the step a row has come to, and those of its other sections. */
export type Heard = LessonStep & { with: LessonStep[] };
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
export const RESULTS: [key: string, result: Result, looks: Schemas["State"], share: number][] = [
  ["1", "not_yet", "waiting", 0],
  ["2", "shaky", "begun", 0.5],
  ["3", "steady", "steady", 1],
  ["4", "secure", "secure", 1],
];
export const resultWord = (result: Result) => t(`lesson.results.${result}`);

export const CAUSES: Cause[] = ["notes", "rhythm", "fingers", "together", "stops", "tempo"];
export const causeWord = (cause: Cause) => t(`lesson.causes.${cause}`);

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

/** A row of the week is heard as one, at the stage it has come to; what lies in no row and is hurt,
 * or was heard already, by itself. With all stages each step is by itself. */
export function heardAs(steps: LessonStep[], stages: boolean): Heard[] {
  const found: Heard[] = [];
  for (const step of steps) {
    const shown = stages || step.reached || step.result || step.hurt_on;
    const own = !stages && step.reached && step.row;
    const known = own && found.find((one) => one.reached && one.row?.id === step.row?.id);
    if (known) known.with.push(step);
    else if (shown) found.push({ ...step, with: [] });
  }
  return found;
}
