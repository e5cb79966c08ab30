import type { Schemas } from "../../api/client";
import { t } from "../../words";

// What a cell of a class lesson shows, and what a tap on it says next.

export type Lesson = Schemas["ClassLesson"];
export type Member = Lesson["members"][number];
type Result = Schemas["Result"];
type Criterion = Schemas["Criteria"][number] | undefined;
type Step = Lesson["steps"][number] | undefined;

/** What a figure says of a step. */
export const RESULTS: Result[] = ["not_heard", "not_yet", "shaky", "steady", "secure"];
export const isAway = ({ lesson }: Member) =>
  lesson?.attendance === "missed" || lesson?.attendance === "excused";

export function said(member: Member, criterion: Criterion, step: Step): string {
  if (criterion) {
    const level = member.levels[criterion.key];
    return level ? `${level} ${criterion.levels[level - 1]}` : "";
  }
  const cell = step && member.cells[step.key];
  if (!cell) return "";
  if (cell.result && cell.result !== "not_heard") return t(`lesson.results.${cell.result}`);
  return cell.state === "steady" || cell.state === "secure"
    ? `(${t(`components.states.${cell.state}`)})`
    : "";
}

/** The figure after the one that stands, where a cell is tapped. */
export function next(member: Member, criterion: Criterion, step: Step): number {
  if (criterion) return ((member.levels[criterion.key] ?? 0) + 1) % (criterion.levels.length + 1);
  const now = RESULTS.indexOf((step && (member.cells[step.key]?.result as Result)) ?? "not_heard");
  return (Math.max(now, 0) + 1) % RESULTS.length;
}
