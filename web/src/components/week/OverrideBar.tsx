import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { t } from "../../words";
import { Button } from "../Button";
import { longDay, shortDay } from "../dates";
import type { WeekOverrides } from "./useWeekOverrides";

/** What is said of the chosen item, and what can be done with it by hand. */
export function OverrideBar({ drawn }: { drawn: WeekOverrides }) {
  const { chosen, item } = drawn;
  return (
    <Box minH="64px" mt="6px" fontSize="sm" className="no-print">
      <Box color="soft" aria-live="polite">
        {item ? (
          <>
            <Text as="b" color="ink">
              {item.title}
            </Text>
            {item.piece && ` (${[item.piece, item.place].filter(Boolean).join(", ")})`}: {item.why}.
            {"arithmetic" in item && item.arithmetic && ` ${item.arithmetic}.`}
          </>
        ) : (
          t("components.week.override_bar.point_at_an_item_to_see")
        )}
      </Box>
      <Flex
        role="toolbar"
        aria-label={t("components.week.override_bar.change_by_hand")}
        gap="6px"
        mt="4px"
        wrap="wrap"
        align="center"
      >
        {chosen && item && drawn.open(chosen) && (
          <>
            <Button size="xs" onClick={() => drawn.pin(chosen)}>
              {item.pinned
                ? t("components.week.override_bar.give_back_to_the_plan")
                : t("components.week.override_bar.keep_on", { day: shortDay(chosen.date) })}
            </Button>
            <Button
              size="xs"
              title={t("components.week.override_bar.move_to_the_day_before")}
              disabled={!drawn.shift(chosen, -1)}
              onClick={() => drawn.move(chosen, drawn.shift(chosen, -1))}
            >
              ← {day(drawn.shift(chosen, -1))}
            </Button>
            <Button
              size="xs"
              title={t("components.week.override_bar.move_to_the_day_after")}
              disabled={!drawn.shift(chosen, 1)}
              onClick={() => drawn.move(chosen, drawn.shift(chosen, 1))}
            >
              {day(drawn.shift(chosen, 1))} →
            </Button>
            <Button size="xs" onClick={() => drawn.drop(chosen)}>
              {t("components.week.override_bar.not_on", { day: longDay(chosen.date) })}
            </Button>
            {item.kind !== "added" && (
              <Button size="xs" onClick={() => drawn.leaveOut(chosen.id)}>
                {t("components.week.override_bar.not_this_week")}
              </Button>
            )}
            <Button
              size="xs"
              aria-label={t("components.week.override_bar.less")}
              onClick={() => drawn.resize(chosen, -1)}
            >
              −
            </Button>
            <Text as="span">
              {item.repetitions && item.kind !== "run"
                ? t("components.week.override_bar.times", { repetitions: item.repetitions })
                : t("components.week.override_bar.min", { minutes: item.minutes })}
            </Text>
            <Button
              size="xs"
              aria-label={t("components.week.override_bar.more")}
              onClick={() => drawn.resize(chosen, 1)}
            >
              +
            </Button>
          </>
        )}
        {(drawn.canUndo || drawn.decided > 0) && (
          <Flex gap="6px" ml="auto">
            {drawn.canUndo && (
              <Button size="xs" onClick={drawn.undo}>
                {t("components.week.override_bar.undo")}
              </Button>
            )}
            {drawn.decided > 0 && (
              <Button size="xs" kind="quiet" onClick={drawn.clear}>
                {t("components.week.override_bar.all_back_to_the_plan")}
              </Button>
            )}
          </Flex>
        )}
      </Flex>
    </Box>
  );
}

const day = (date: string | undefined) => (date ? shortDay(date) : "–");

/** A thing of the teacher's own on one day. */
export function AddTo({
  date,
  drawn,
  onDone,
}: {
  date: string;
  drawn: WeekOverrides;
  onDone: () => void;
}) {
  const [title, setTitle] = useState("");
  const [length, setLength] = useState("3");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!title.trim()) return;
    drawn.add(date, title.trim(), Number(length));
    onDone();
  };
  return (
    <form onSubmit={submit}>
      <Input
        size="xs"
        autoFocus
        aria-label={t("components.week.override_bar.what_to_add_on", { day: longDay(date) })}
        placeholder={t("components.week.override_bar.what")}
        maxLength={120}
        borderColor="line"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        onKeyDown={(event) => event.key === "Escape" && onDone()}
      />
      <Flex gap="4px" mt="4px" align="center">
        <Input
          size="xs"
          type="number"
          min={0.5}
          max={120}
          step={0.5}
          w="56px"
          aria-label={t("components.week.override_bar.minutes")}
          borderColor="line"
          value={length}
          onChange={(event) => setLength(event.target.value)}
        />
        <Text fontSize="sm">{t("components.week.override_bar.min_2")}</Text>
        <Button size="xs" kind="go" type="submit">
          {t("components.week.override_bar.add")}
        </Button>
      </Flex>
    </form>
  );
}
