import { Box, Flex } from "@chakra-ui/react";
import type { Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { Paper } from "../../components/Paper";
import type { Range } from "../../components/page/PageMap";
import { useMay } from "../../components/Rights";
import { t } from "../../words";
import { Check } from "./Check";
import { Excerpt } from "./Excerpt";
import { Learners } from "./Learners";
import { MapSummary } from "./MapSummary";
import { Past } from "./Past";
import { Preview } from "./Preview";
import { ScriptText } from "./ScriptText";
import type { Bench } from "./useBench";

const TABS = ["map", "preview", "check", "text", "notes", "past", "learners"] as const;
// Those in which nothing is changed.
const LOOKING = ["preview", "notes", "learners"];
export type Tab = (typeof TABS)[number];

type Props = {
  id: number;
  hasScore: boolean;
  bench: Bench;
  whose: Whose;
  tab: Tab;
  onTab: (tab: Tab) => void;
  chosen: Range | null;
  onChoose: (range: Range) => void;
  onShow: (bar: number) => void;
};

/** What lies beside the page, one thing at a time. */
export function Side({
  id,
  hasScore,
  bench,
  whose,
  tab: asked,
  onTab,
  chosen,
  onChoose,
  onShow,
}: Props) {
  const teaches = useMay()("teach");
  const tab = teaches || LOOKING.includes(asked) ? asked : "preview";
  const { piece, problems } = bench;
  const wrong = piece.diagnostics.length + problems.length;
  return (
    <Paper>
      <Flex
        role="tablist"
        aria-label={t("piece.side.about_the_page")}
        borderBottom="1px solid"
        borderColor="line"
        px="4px"
        wrap="wrap"
      >
        {TABS.filter(
          (key) => (key !== "notes" || hasScore) && (teaches || LOOKING.includes(key)),
        ).map((key) => (
          <Button
            key={key}
            kind="quiet"
            role="tab"
            aria-selected={tab === key}
            size="sm"
            px="3px"
            minH="38px"
            borderRadius="0"
            color={tab === key ? "ink" : "slate"}
            boxShadow={tab === key ? "inset 0 -3px 0 var(--chakra-colors-rail)" : undefined}
            onClick={() => onTab(key)}
          >
            {t(`piece.side.${key}`)}
            {key === "check" && wrong > 0 && (
              <Box as="span" color="brick" fontWeight={750}>
                {wrong}
              </Box>
            )}
          </Button>
        ))}
      </Flex>
      <Box
        role="tabpanel"
        maxH={{ lg: "calc(100vh - 190px)" }}
        minH="420px"
        overflowY="auto"
        css={{
          "& > section": {
            borderBottom: "1px solid var(--chakra-colors-line)",
            padding: "10px 14px",
          },
          "& > section:last-child": { border: 0 },
        }}
      >
        {tab === "map" && <MapSummary bench={bench} onChoose={onChoose} onShow={onShow} />}
        {tab === "preview" && <Preview id={id} whose={whose} bench={bench} onShow={onShow} />}
        {tab === "check" && <Check id={id} whose={whose} bench={bench} onShow={onShow} />}
        {tab === "text" && <ScriptText id={id} whose={whose} bench={bench} onShow={onShow} />}
        {tab === "notes" && hasScore && <Excerpt id={id} piece={piece} chosen={chosen} />}
        {tab === "learners" && <Learners id={id} bench={bench} />}
        {tab === "past" && <Past id={id} whose={whose} bench={bench} />}
      </Box>
    </Paper>
  );
}
