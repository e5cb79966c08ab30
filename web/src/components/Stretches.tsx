import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { t } from "../words";
import { Button } from "./Button";
import { dayAndMonth } from "./dates";

type Stretch = { from: string; to: string; practice?: boolean };
type Props = { legend: string; word: string; all: Stretch[]; onChange: (all: Stretch[]) => void };

/** Stretches of days without practice: holidays, and days a student is away. */
export function Stretches({ legend, word, all, onChange }: Props) {
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [practice, setPractice] = useState(false);
  const add = () => {
    onChange(
      [...all, { from, to: to || from, ...(practice ? { practice } : {}) }].sort((a, b) =>
        a.from.localeCompare(b.from),
      ),
    );
    setFrom("");
    setTo("");
  };
  return (
    <Box as="fieldset" mt="12px" border={0} p={0}>
      <Text as="legend" fontWeight={600} mb="4px">
        {legend}
      </Text>
      <Flex gap="8px" wrap="wrap" align="center">
        {all.map((one) => (
          <Button
            key={one.from + one.to}
            size="sm"
            type="button"
            aria-label={t("components.stretches.to_take_it_out", {
              word,
              from: dayAndMonth(one.from),
              to: dayAndMonth(one.to),
            })}
            onClick={() => onChange(all.filter((other) => other !== one))}
          >
            {t("components.stretches.to_2", {
              from: dayAndMonth(one.from),
              to: dayAndMonth(one.to),
            })}
            {one.practice && ` · ${t("components.stretches.practice_goes_on")}`}
          </Button>
        ))}
        <Input
          type="date"
          aria-label={t("components.stretches.from", { word })}
          w="150px"
          h="32px"
          borderColor="line"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
        />
        {t("components.stretches.to")}
        <Input
          type="date"
          aria-label={t("components.stretches.to_3", { word })}
          w="150px"
          h="32px"
          borderColor="line"
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
        <label style={{ display: "flex", gap: 6, alignItems: "center" }}>
          <input
            type="checkbox"
            checked={practice}
            onChange={(event) => setPractice(event.target.checked)}
          />
          {t("components.stretches.practice_goes_on")}
        </label>
        <Button type="button" size="sm" disabled={!from} onClick={add}>
          {t("components.stretches.add")}
        </Button>
      </Flex>
    </Box>
  );
}
