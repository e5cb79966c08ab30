import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";
import { Button } from "../Button";
import { shortDay } from "../dates";
import { Select } from "../Select";

type Week = Schemas["Week"];
type Left = Week["left_out"][number];
type Put = (id: string, date: string) => void;

/** What stands on no day this week, why, and what would make it fit. */
export function LeftOut({ week, onPut }: { week: Week; onPut: Put | null }) {
  const never = week.left_out.filter((one) => !one.fits);
  const later = week.left_out.filter((one) => one.fits);
  const dates = week.days.map((day) => day.date).filter((date) => date >= week.planned_from);
  return (
    <Box fontSize="sm">
      {never.length > 0 && (
        <Box mb="6px">
          <Text fontWeight={700} color="brick">
            {t("components.week.left_out.does_not_fit")}
          </Text>
          {never.map((one) => (
            <Line key={one.id} one={one} dates={dates} onPut={onPut} />
          ))}
        </Box>
      )}
      {later.length > 0 && (
        <details>
          <summary style={{ cursor: "pointer", fontWeight: 650 }}>
            {t("components.week.left_out.come_later", { count: later.length })}
          </summary>
          {later.map((one) => (
            <Line key={one.id} one={one} dates={dates} onPut={onPut} />
          ))}
        </details>
      )}
    </Box>
  );
}

function Line({ one, dates, onPut }: { one: Left; dates: string[]; onPut: Put | null }) {
  return (
    <Flex gap="8px" align="baseline" justify="space-between" py="1px">
      <Text color="soft">
        <Text as="b" color="ink">
          {one.title}
        </Text>{" "}
        ({one.piece}): {one.why}.
      </Text>
      {onPut && (
        <Select
          aria-label={t("components.week.left_out.put_of_on_a_day", {
            title: one.title,
            piece: one.piece,
          })}
          value=""
          onChange={(event) => onPut(one.id, event.target.value)}
        >
          <option value="">{t("components.week.left_out.put_on")}</option>
          {dates.map((date) => (
            <option key={date} value={date}>
              {shortDay(date)}
            </option>
          ))}
        </Select>
      )}
    </Flex>
  );
}

/** What was decided by hand and leads nowhere. */
export function Unmet({
  week,
  onTakeBack,
}: {
  week: Week;
  onTakeBack: ((id: string) => void) | null;
}) {
  if (week.unmet.length === 0) return null;
  return (
    <Box
      role="status"
      bg="brickSoft"
      borderLeft="4px solid"
      borderColor="brick"
      px="10px"
      py="6px"
      mb="6px"
      fontSize="sm"
    >
      {week.unmet.map((one) => (
        <Flex key={`${one.id} ${one.date}`} gap="8px" align="baseline">
          <Text>
            {t("components.week.left_out.you_put_it_there", { title: one.title, why: one.why })}
          </Text>
          {onTakeBack && (
            <Button size="xs" onClick={() => onTakeBack(one.id)}>
              {t("components.week.left_out.leave_it_out")}
            </Button>
          )}
        </Flex>
      ))}
    </Box>
  );
}
