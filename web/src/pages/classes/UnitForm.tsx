import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { newKey, type Schemas } from "../../api/client";
import { type NewUnit, useAddUnit, usePieces, useRoutines } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { Labelled } from "../../components/Labelled";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";

type Criteria = Schemas["Criteria"];

/** What is judged where nothing else was chosen yet. */
const usual = (): Criteria =>
  ["pulse", "articulation", "dynamics", "how_far"].map((key) => ({
    key,
    name: t(`classes.criteria.${key}.name`),
    levels: ["low", "middle", "high"].map((level) => t(`classes.criteria.${key}.${level}`)),
  }));

/** A unit for the whole class: a piece, one of several, or an exercise; due on a day and hour;
 * judged by criteria that are typed, or come from a set. */
export function UnitForm({ group, onDone }: { group: Schemas["Class"]; onDone: () => void }) {
  const add = useAddUnit(group.id);
  const pieces = usePieces();
  const routines = useRoutines();
  const [key] = useState(newKey);
  const [title, setTitle] = useState("");
  const [chosen, setChosen] = useState<number[]>([]);
  const [minutes, setMinutes] = useState("3");
  const [routine, setRoutine] = useState("hand_by_hand");
  const [day, setDay] = useState("");
  const [time, setTime] = useState(group.time);
  const [criteria, setCriteria] = useState<Criteria>(() => group.sets[0]?.criteria ?? usual());
  const [keepAs, setKeepAs] = useState("");
  const change = (at: number, changes: Partial<Criteria[number]>) =>
    setCriteria(criteria.map((one, index) => (index === at ? { ...one, ...changes } : one)));
  const save = () => {
    const unit: NewUnit = {
      key,
      title: title.trim() || pieces.data?.find((one) => one.id === chosen[0])?.title || "",
      piece_ids: chosen,
      due_on: day,
      due_time: time,
      routine,
      criteria: criteria
        .map((one) => ({ ...one, levels: one.levels.map((level) => level.trim()).filter(Boolean) }))
        .filter((one) => one.name.trim() && one.levels.length > 1),
      ...(chosen.length === 0 ? { minutes: Number(minutes) } : {}),
      ...(keepAs.trim() ? { keep_as: keepAs.trim() } : {}),
    };
    add.mutate(unit, { onSuccess: onDone });
  };
  return (
    <Paper
      as="section"
      aria-label={t("classes.new_unit")}
      p="14px 18px"
      mb="14px"
      borderColor="rail"
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save();
        }}
      >
        <Flex gap="14px" wrap="wrap" align="flex-end">
          <Box as="fieldset" border={0} p={0} flex="1 1 100%">
            <Text as="legend" fontWeight={600}>
              {t("classes.pieces")}
            </Text>
            <Flex gap="4px 18px" wrap="wrap" mt="4px">
              {pieces.data
                ?.filter((one) => !one.deleted)
                .map((one) => (
                  <label key={one.id} style={{ display: "flex", gap: 6, alignItems: "center" }}>
                    <input
                      type="checkbox"
                      checked={chosen.includes(one.id)}
                      onChange={() =>
                        setChosen(
                          chosen.includes(one.id)
                            ? chosen.filter((id) => id !== one.id)
                            : [...chosen, one.id],
                        )
                      }
                    />
                    {one.title}
                  </label>
                ))}
            </Flex>
            <Text fontSize="sm" color="soft">
              {chosen.length === 0
                ? t("classes.no_piece_is_an_exercise")
                : chosen.length > 1 && t("classes.each_chooses_one", { count: chosen.length })}
            </Text>
          </Box>
          <Labelled
            label={t("classes.title")}
            width="260px"
            required={chosen.length === 0}
            maxLength={120}
            value={title}
            placeholder={pieces.data?.find((one) => one.id === chosen[0])?.title}
            onChange={(event) => setTitle(event.target.value)}
          />
          {chosen.length === 0 ? (
            <Labelled
              label={t("students.student_form.minutes_a_day")}
              width="130px"
              required
              type="number"
              min={0.5}
              max={120}
              step={0.5}
              value={minutes}
              onChange={(event) => setMinutes(event.target.value)}
            />
          ) : (
            <Choice
              label={t("classes.routine")}
              width="190px"
              value={routine}
              onChange={(event) => setRoutine(event.target.value)}
            >
              {routines.data?.map((one) => (
                <option key={one.key} value={one.key}>
                  {one.name}
                </option>
              ))}
            </Choice>
          )}
          <Labelled
            label={t("classes.due_day")}
            width="160px"
            required
            type="date"
            value={day}
            onChange={(event) => setDay(event.target.value)}
          />
          <Labelled
            label={t("classes.due_time")}
            width="120px"
            required
            type="time"
            value={time}
            onChange={(event) => setTime(event.target.value)}
          />
        </Flex>
        <Flex gap="12px" align="baseline" mt="14px" wrap="wrap">
          <PartHead>{t("classes.judged_by")}</PartHead>
          {group.sets.map((set) => (
            <Button
              key={set.name}
              type="button"
              size="sm"
              onClick={() => setCriteria(set.criteria)}
            >
              {set.name}
            </Button>
          ))}
        </Flex>
        {criteria.map((one, at) => (
          <Flex key={one.key} gap="8px" mt="6px" wrap="wrap" align="center">
            <Input
              aria-label={t("classes.criterion", { count: at + 1 })}
              w="170px"
              h="34px"
              maxLength={60}
              borderColor="line"
              value={one.name}
              onChange={(event) => change(at, { name: event.target.value })}
            />
            {one.levels.map((level, place) => (
              <Input
                key={place}
                aria-label={t("classes.level_of", { count: place + 1, name: one.name })}
                w="180px"
                h="34px"
                maxLength={120}
                borderColor="line"
                value={level}
                onChange={(event) =>
                  change(at, {
                    levels: one.levels.map((text, index) =>
                      index === place ? event.target.value : text,
                    ),
                  })
                }
              />
            ))}
            <Button
              type="button"
              size="sm"
              disabled={one.levels.length >= 9}
              onClick={() => change(at, { levels: [...one.levels, ""] })}
            >
              {t("classes.one_more_level")}
            </Button>
            <Button
              type="button"
              size="sm"
              onClick={() => setCriteria(criteria.filter((other) => other !== one))}
            >
              {t("students.student_form.take_out")}
            </Button>
          </Flex>
        ))}
        <Flex gap="12px" mt="10px" wrap="wrap" align="flex-end">
          <Button
            type="button"
            size="sm"
            disabled={criteria.length >= 8}
            onClick={() =>
              setCriteria([...criteria, { key: newKey(), name: "", levels: ["", "", ""] }])
            }
          >
            {t("classes.one_more_criterion")}
          </Button>
          <Labelled
            label={t("classes.keep_as")}
            width="260px"
            h="34px"
            maxLength={60}
            value={keepAs}
            onChange={(event) => setKeepAs(event.target.value)}
          />
        </Flex>
        <Notice trouble={add.error} />
        <Flex gap="8px" mt="14px">
          <Button type="submit" kind="go" disabled={add.isPending || !day}>
            {t("classes.give_it", { count: group.members.length })}
          </Button>
          <Button type="button" onClick={onDone}>
            {t("students.student_form.not_now")}
          </Button>
        </Flex>
      </form>
    </Paper>
  );
}
