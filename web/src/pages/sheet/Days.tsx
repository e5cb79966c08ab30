import { Box, Flex, Text, VisuallyHidden } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { fullDay, listed, minutes, shortDay } from "../../components/dates";
import { colour } from "../../theme/system";
import { t } from "../../words";
import { type Day, isDone } from "./useTicks";

type Props = { sheet: Schemas["Sheet"]; chosen: string; onChoose: (date: string) => void };

/** The days of the week, filled by what was done, a diagonal for a struggle: each opens its
 * day, so that what was forgotten is ticked later. */
export function Days({ sheet, chosen, onChoose }: Props) {
  if (sheet.days.length === 0) return null;
  return (
    <Box my="12px">
      <Flex gap="6px" as="ul" listStyleType="none" aria-label={t("sheet.days.the_week")}>
        {sheet.days.map((day) => (
          <Box key={day.date} as="li" flex="1" minW={0}>
            <Tile day={day} today={sheet.today} chosen={chosen} onChoose={onChoose} />
          </Box>
        ))}
      </Flex>
      <Text fontSize="md" color="soft" mt="2px">
        {t("sheet.days.minutes_played")}
      </Text>
    </Box>
  );
}

type TileProps = { day: Day; today: string; chosen: string; onChoose: (date: string) => void };

function Tile({ day, today, chosen, onChoose }: TileProps) {
  const full = day.items.length > 0 && day.items.every(isDone);
  return (
    <Box
      as="button"
      aria-pressed={day.date === chosen}
      onClick={() => onChoose(day.date)}
      display="block"
      width="100%"
      minH="52px"
      position="relative"
      textAlign="center"
      cursor="pointer"
      borderRadius="4px"
      border={day.date === today ? "3px solid" : "1px solid"}
      borderColor={day.date === today ? "rail" : "line"}
      boxShadow={day.date === chosen ? `0 5px 0 -1px ${colour("rail")}` : undefined}
      bg={full ? "ink" : "sheet"}
      color={full ? "sheet" : "soft"}
    >
      {day.struggle && (
        <svg
          aria-hidden="true"
          viewBox="0 0 10 10"
          preserveAspectRatio="none"
          style={{ position: "absolute", inset: 0, width: "100%", height: "100%" }}
        >
          <path
            d="M0 0L10 10"
            stroke={full ? colour("sheet") : colour("ink")}
            strokeWidth="1.5"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
      )}
      <Text fontSize="md" fontWeight={650}>
        {shortDay(day.date)}
      </Text>
      <VisuallyHidden>
        {listed([
          fullDay(day.date),
          t("sheet.days.done", { done: minutes(day.minutes_done), of: minutes(day.minutes) }),
          day.struggle && t("components.day_boxes.a_struggle"),
        ])}
      </VisuallyHidden>
      <Text aria-hidden fontSize="lg" fontWeight={700} minH="1.4em" lineHeight={1.2}>
        {day.minutes_done > 0 ? Math.round(day.minutes_done) || "½" : ""}
      </Text>
    </Box>
  );
}
