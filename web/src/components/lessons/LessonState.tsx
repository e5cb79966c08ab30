import { Text } from "@chakra-ui/react";
import type { LessonTime } from "../../api/queries";
import { t } from "../../words";
import { fullDay, listed } from "../dates";

/** What is not as every week with a lesson: moved, left out, another's, who came. */
export function LessonState({ lesson }: { lesson: LessonTime }) {
  const {
    planned_on,
    day,
    left_out,
    why,
    attendance,
    holder_id,
    own_id,
    holder,
    teacher,
    makes_up_for,
  } = lesson;
  const said = listed([
    left_out && (why ? t("lessons.left_out_because", { why }) : t("lessons.left_out")),
    !left_out &&
      planned_on &&
      planned_on !== day &&
      t("lessons.moved_from", { day: fullDay(planned_on) }),
    makes_up_for && t("lessons.makes_up_for", { day: fullDay(makes_up_for) }),
    !planned_on && !makes_up_for && t("lessons.put_in"),
    holder_id !== own_id && t("lessons.holds_it_for", { holder, teacher }),
    attendance && t(`lessons.attendance.${attendance}`),
  ]);
  return (
    <>
      {said && (
        <Text fontSize="sm" color={left_out ? "soft" : "ink"}>
          {said}
        </Text>
      )}
      {lesson.clash && (
        <Text fontSize="sm" color="brick" fontWeight={600}>
          {t("lessons.clash", { holder })}
        </Text>
      )}
    </>
  );
}

/** Whether a lesson is, or was, really held. */
export const isHeld = ({ left_out, attendance }: LessonTime) =>
  !left_out && attendance !== "missed" && attendance !== "excused";
