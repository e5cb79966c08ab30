import { Text } from "@chakra-ui/react";
import { Pin } from "lucide-react";
import { colour, tintOf } from "../../theme/system";
import { t } from "../../words";
import { Button } from "../Button";
import type { Chosen, WeekOverrides } from "./useWeekOverrides";

// Units of height for a minute, and the least a step needs to be read.
const MINUTE = 15;
const LEAST = 44;

type Props = {
  at: Chosen;
  drawn: WeekOverrides;
  title: string;
  about: string;
  size: number;
  piece?: string | null;
  section?: string | null;
  begins?: boolean;
  pinned?: boolean;
  breaks?: string | null;
  /** ExtraWork the steps: no more height than it needs. */
  quiet?: boolean;
  dragged?: boolean;
};

/** One item of a day, as tall as it is long. */
export function Standing({
  at,
  drawn,
  title,
  about,
  size,
  piece,
  section,
  begins,
  pinned,
  breaks,
  quiet,
  dragged,
}: Props) {
  const chosen = drawn.chosen?.id === at.id && drawn.chosen.date === at.date;
  return (
    <Button
      display="block"
      w="100%"
      h="auto"
      textAlign="left"
      whiteSpace="normal"
      fontWeight={400}
      lineHeight={1.25}
      px="10px"
      py="3px"
      mb="4px"
      data-item={at.id}
      data-date={at.date}
      aria-pressed={chosen}
      bg={breaks ? "brickSoft" : begins ? "sheet" : quiet ? "transparent" : "sheet"}
      borderColor={breaks ? "brick" : chosen ? "slate" : begins ? "brass" : "line"}
      opacity={dragged ? 0.5 : 1}
      cursor="grab"
      css={{ touchAction: "pan-y" }}
      onFocus={() => drawn.choose(at)}
      onMouseEnter={() => drawn.point(at)}
      onClick={() => drawn.choose(at)}
      style={{
        minHeight: quiet ? undefined : Math.max(size * MINUTE, piece ? LEAST + 16 : LEAST),
        boxShadow: `inset 4px 0 0 ${section ? tintOf(section) : colour(quiet ? "slate" : "line")}`,
      }}
    >
      <Text fontWeight={quiet ? 550 : 650} fontSize={quiet ? "sm" : undefined}>
        {pinned && (
          <Pin
            size={13}
            aria-label={t("components.week.standing.put_there_by_you")}
            style={{
              display: "inline",
              width: 13,
              height: 13,
              marginRight: 4,
              verticalAlign: "-1px",
            }}
          />
        )}
        {title}
      </Text>
      {piece && !quiet && (
        <Text fontSize="sm" color="soft">
          {piece}
        </Text>
      )}
      <Text fontSize="sm" color={begins ? "brass" : "soft"}>
        {quiet && piece ? `${piece} · ${about}` : about}
      </Text>
      {breaks && (
        <Text fontSize="sm" color="brick" fontWeight={600}>
          {breaks}
        </Text>
      )}
    </Button>
  );
}
