import { Flex } from "@chakra-ui/react";
import { colour } from "../theme/system";
import { t } from "../words";
import { fullDay, listed, shortDay } from "./dates";
import { Word } from "./Word";

type Day = { date: string; planned: boolean; of: number; repetitions: number; struggle: boolean };

/** A box for each day: the weekday's letter, filled with the repetitions when
 * done, one diagonal for a struggle. */
export function DayBoxes({ days }: { days: Day[] }) {
  return (
    <Flex gap="4px" role="list" aria-label={t("components.day_boxes.practice_days")}>
      {days.map((day) => (
        <svg key={day.date} width="24" height="24" role="listitem" aria-label={said(day)}>
          <rect
            x="0.75"
            y="0.75"
            width="22.5"
            height="22.5"
            rx="3"
            fill={filled(day) ? colour("ink") : colour("sheet")}
            stroke={day.planned ? colour("ink") : colour("line")}
            strokeWidth="1"
          />
          <Word
            x={12}
            y={16.5}
            size={12.5}
            weight={650}
            anchor="middle"
            tone={filled(day) ? "sheet" : "soft"}
          >
            {day.repetitions > 0 ? day.repetitions : shortDay(day.date)[0]}
          </Word>
          {day.struggle && (
            <path
              d="M2 2L22 22"
              stroke={filled(day) ? colour("sheet") : colour("ink")}
              strokeWidth="1.8"
            />
          )}
        </svg>
      ))}
    </Flex>
  );
}

const filled = (day: Day) => day.repetitions > 0 && day.repetitions >= day.of;

function said(day: Day) {
  const done = t("components.day_boxes.done", {
    day: fullDay(day.date),
    done: day.repetitions,
    of: day.of,
  });
  const more = [
    !day.planned && t("components.day_boxes.not_planned"),
    day.struggle && t("components.day_boxes.a_struggle"),
  ];
  return listed([done, ...more]);
}
