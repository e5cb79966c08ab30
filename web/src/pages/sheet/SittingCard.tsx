import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect } from "react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { Tempo } from "../../components/Tempo";
import { t } from "../../words";
import { useSitting } from "./useSitting";
import type { Item } from "./useTicks";

type Props = {
  items: Item[];
  token: string;
  onPlayed: (item: Item) => void;
  onHurts: (item: Item) => void;
  onEnd: () => void;
};

/**
 * The day runs by itself, hands free. A foot on a pedal that types, any key or a touch pauses it.
 */
export default function SittingCard({ items, token, onPlayed, onHurts, onEnd }: Props) {
  const { now, turn, count, trouble, tell } = useSitting(token, items, onPlayed);
  const over = !turn;
  useEffect(() => {
    if (over) return;
    const key = (event: KeyboardEvent) => {
      if (event.metaKey || event.ctrlKey || event.altKey || event.key === "Tab") return;
      if (event.target instanceof HTMLButtonElement && (event.key === "Enter" || event.key === " "))
        return;
      event.preventDefault();
      if (event.key === "Escape") onEnd();
      else if (!event.repeat) tell({ kind: "pause" });
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [over, tell, onEnd]);
  useAwake(!over && !now.paused);

  return (
    <Paper
      as="section"
      aria-label={t("sheet.sitting.sitting")}
      p="16px"
      mb="10px"
      borderWidth="3px"
      borderColor="rail"
    >
      {turn ? (
        <>
          <Text fontSize="lg" color="soft" fontWeight={650}>
            {turn.item.piece}
          </Text>
          <Heading as="h2" fontSize="1.75rem" fontWeight={750} lineHeight={1.2}>
            {turn.item.title}
          </Heading>
          <Text fontSize="lg">
            {turn.item.how}, {turn.item.place}
            {turn.item.tempo && (
              <>
                {", "}
                <Tempo beat={turn.item.beat} tempo={turn.tempo ?? turn.item.tempo} />
              </>
            )}
          </Text>
          <Flex
            as="button"
            aria-label={t(now.paused ? "sheet.sitting.go_on" : "sheet.sitting.pause")}
            onClick={() => tell({ kind: "pause" })}
            width="100%"
            minH="240px"
            my="12px"
            direction="column"
            align="center"
            justify="center"
            cursor="pointer"
            border="2px solid"
            borderColor={now.paused ? "brass" : "line"}
            borderRadius="4px"
          >
            <Text fontSize="1.5rem" fontWeight={700} lineHeight={1.2}>
              {now.paused ? t("sheet.sitting.paused") : t(`sheet.sitting.${now.part}`)}
            </Text>
            <Text aria-hidden fontSize="7rem" fontWeight={750} lineHeight={1.1} minH="1.1em">
              {!now.paused && count}
            </Text>
            <Text fontSize="lg" color="soft">
              {t("sheet.sitting.round", { round: turn.round, of: turn.item.repetitions })}
            </Text>
          </Flex>
          <Box
            role="status"
            position="absolute"
            width="1px"
            height="1px"
            overflow="hidden"
            clipPath="inset(50%)"
          >
            {now.paused ? t("sheet.sitting.paused") : t(`sheet.sitting.${now.part}`)}
          </Box>
          <Notice trouble={trouble} />
          <Flex gap="8px">
            <Button kind="go" flex="1" minH="52px" onClick={() => tell({ kind: "pause" })}>
              {t(now.paused ? "sheet.sitting.go_on" : "sheet.sitting.pause")}
            </Button>
            <Button flex="1" minH="52px" onClick={() => tell({ kind: "skip" })}>
              {t("sheet.sitting.skip")}
            </Button>
            <Button flex="1" minH="52px" onClick={onEnd}>
              {t("sheet.sitting.stop")}
            </Button>
          </Flex>
          {/* It stops at once, and the sheet says what to take care of. */}
          <Button
            mt="8px"
            width="100%"
            minH="52px"
            onClick={() => {
              onHurts(turn.item);
              onEnd();
            }}
          >
            {t("sheet.hurts.it_hurts")}
          </Button>
          <Text fontSize="md" color="soft" mt="8px">
            {t("sheet.sitting.any_key")}
          </Text>
        </>
      ) : (
        <>
          <Heading as="h2" fontSize="1.75rem" fontWeight={750}>
            {t("sheet.sitting.over")}
          </Heading>
          <Button kind="go" minH="52px" width="100%" mt="12px" onClick={onEnd}>
            {t("sheet.sitting.back")}
          </Button>
        </>
      )}
    </Paper>
  );
}

/** The screen stays lit while it runs, where the device lets it. */
function useAwake(on: boolean) {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    navigator.wakeLock
      .request("screen")
      .then((found) => {
        if (over) found.release();
        else lock = found;
      })
      .catch(() => {});
    return () => {
      over = true;
      lock?.release();
    };
  }, [on]);
}
