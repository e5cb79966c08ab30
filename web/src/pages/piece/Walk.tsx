import { Flex, Input, Text } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight, Play, Square } from "lucide-react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { ordinal } from "../../components/dates";
import { Notice } from "../../components/Notice";
import type { Hands } from "../../components/player";
import { Select } from "../../components/Select";
import { t } from "../../words";
import type { Walking } from "./useWalk";

/** Walk it: bar by bar, or played with a click; every jump is said before it comes. */
export function Walk({ walk, piece }: { walk: Walking; piece: Schemas["Page"] }) {
  const visit = walk.at === null ? null : piece.ribbon[walk.at];
  return (
    <>
      <Flex align="center" gap="6px" wrap="wrap" borderTop="1px solid" borderColor="line" pt="6px">
        <Text fontWeight={650} mr="2px">
          {t("piece.walk.walk_it")}
        </Text>
        <Button
          size="sm"
          px="7px"
          aria-label={t("piece.walk.one_bar_back")}
          title={t("piece.walk.one_bar_back_2")}
          onClick={() => walk.step(-1)}
        >
          <ChevronLeft size={16} />
        </Button>
        <Button
          size="sm"
          px="7px"
          aria-label={t("piece.walk.one_bar_on")}
          title={t("piece.walk.one_bar_on_2")}
          onClick={() => walk.step(1)}
        >
          <ChevronRight size={16} />
        </Button>
        {walk.playing ? (
          <Button size="sm" title={t("piece.walk.space")} onClick={walk.stop}>
            <Square size={13} /> {t("piece.walk.stop")}
          </Button>
        ) : (
          <Button size="sm" title={t("piece.walk.space")} onClick={walk.play}>
            <Play size={13} /> {t("piece.walk.play")}
          </Button>
        )}
        <Flex as="label" align="center" gap="4px" fontSize="sm" color="soft">
          {t("piece.walk.at")}
          <Input
            type="number"
            aria-label={t("piece.walk.tempo_beats_per_minute")}
            min={20}
            max={400}
            w="64px"
            h="30px"
            borderColor="line"
            value={walk.tempo}
            onChange={(event) => walk.setTempo(Number(event.target.value))}
          />
        </Flex>
        {piece.notes && (
          <Select
            w="128px"
            size="sm"
            aria-label={t("piece.walk.hands_that_sound")}
            value={walk.hands}
            onChange={(event) => walk.setHands(event.target.value as Hands)}
          >
            <option value="both">{t("piece.walk.both_hands")}</option>
            <option value="right">{t("piece.walk.right_hand")}</option>
            <option value="left">{t("piece.walk.left_hand")}</option>
            <option value="none">{t("piece.walk.no_notes")}</option>
          </Select>
        )}
        <Button size="sm" aria-pressed={walk.click} onClick={() => walk.setClick(!walk.click)}>
          {walk.click ? t("piece.walk.click_on") : t("piece.walk.click_off")}
        </Button>
        {visit && (
          <Button kind="quiet" size="sm" onClick={walk.end}>
            {t("piece.walk.end_the_walk")}
          </Button>
        )}
      </Flex>
      <Text role="status" minH="1.4em" mt="3px">
        {visit ? (
          <>
            <b>
              {t("piece.walk.bar", { bar: visit.name })}
              {visit.time > 1 && `, ${t("piece.walk.time", { ordinal: ordinal(visit.time) })}`}
            </b>
            {[visit.reached, ...visit.notes].filter(Boolean).map((one) => ` · ${one}`)}
            {visit.ahead && (
              <Text as="b" color="brass">
                {" "}
                {t("piece.walk.then", { ahead: visit.ahead })}
              </Text>
            )}
          </>
        ) : (
          <Text as="span" fontSize="sm" color="soft">
            <kbd>.</kbd> {t("piece.walk.on")} · <kbd>,</kbd> {t("piece.walk.back")} ·{" "}
            <kbd>{t("piece.walk.space")}</kbd> {t("piece.walk.plays")}{" "}
            {t("piece.walk.jumps_are_said_before")}
          </Text>
        )}
      </Text>
      <Notice trouble={walk.trouble} />
    </>
  );
}
