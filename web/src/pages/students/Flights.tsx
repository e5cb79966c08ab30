import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { type ReactNode, useRef } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Paper, PartHead } from "../../components/Paper";
import { printOnly } from "../../components/printing";
import { Stairs } from "../../components/Stairs";
import { StateMark, stateWord } from "../../components/StateMark";
import { edgeOf, tintOf } from "../../theme/system";
import { t } from "../../words";

type Piece = Schemas["Student"]["pieces"][number];
type Step = Piece["steps"][number];

type FlightsProps = { piece: Piece; who: string; today: string; children?: ReactNode };

const Table = chakra("table");
const Cell = chakra("td");
const Head = chakra("th");

/** A student's piece: what is said and chosen of it, the climb, and the table of its flights with
 * the sections across and the stages upward; under it the joins and the whole piece. */
export function Flights({ piece, who, today, children }: FlightsProps) {
  const paper = useRef<HTMLDivElement>(null);
  const inSections = piece.steps.filter((step) => step.section);
  const sections = [...new Set(inSections.map((step) => step.section as string))];
  const stages = [...new Set(inSections.map((step) => step.stage))].reverse();
  const find = (section: string, stage: string) =>
    piece.steps.find((step) => step.section === section && step.stage === stage);
  return (
    <Paper
      p="14px 18px"
      mt="12px"
      className="stairs-page"
      ref={paper}
      id={`piece-${piece.id}`}
      scrollMarginTop="48px"
    >
      <PartHead
        beside={
          <>
            {[
              piece.routine,
              t(`students.student_page.hand_orders.${piece.hand_order}`),
              t("piece.workbench.target", { target_tempo: piece.target_tempo }),
            ].join(" · ")}
            <Button
              kind="quiet"
              size="xs"
              ml="8px"
              className="no-print"
              aria-label={t("students.flights.print_the_stairs_of", { title: piece.title })}
              onClick={() => printOnly(paper.current)}
            >
              {t("students.flights.print_the_stairs")}
            </Button>
          </>
        }
      >
        <Text as="span" fontSize="lg" color="ink">
          <span className="on-paper">{who}: </span>
          {piece.title}
        </Text>{" "}
        · {t("students.flights.of_the_work_is_steady", { percent: piece.percent })}
      </PartHead>
      {children}
      <Box my="8px" className="whole">
        <Stairs climb={piece.stairs} title={piece.title} today={today} due={piece.due_on} />
      </Box>
      <Box
        overflowX="auto"
        tabIndex={0}
        role="region"
        aria-label={t("students.flights.steps_of", { title: piece.title })}
      >
        <Table
          css={{
            borderCollapse: "separate",
            borderSpacing: "6px 0",
            "& th": { fontWeight: 650, textAlign: "left" },
          }}
        >
          <tbody>
            {stages.map((stage) => (
              <tr key={stage}>
                <Head scope="row" color="soft" fontSize="sm" whiteSpace="nowrap" pr="8px">
                  {nameOf(piece, stage)}
                </Head>
                {sections.map((section) => {
                  const step = find(section, stage);
                  return (
                    <Cell
                      key={section}
                      minW="100px"
                      px="6px"
                      py="3px"
                      borderBottom="1px solid"
                      borderColor="line"
                    >
                      {step && <Tread step={step} />}
                    </Cell>
                  );
                })}
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <td />
              {sections.map((section) => (
                <Head
                  scope="col"
                  key={section}
                  px="6px"
                  py="1px"
                  style={{ background: tintOf(section) }}
                >
                  {section}
                  <svg width="100%" height="3" aria-hidden="true" style={{ display: "block" }}>
                    <line
                      x1="0"
                      y1="1.5"
                      x2="100%"
                      y2="1.5"
                      stroke="currentColor"
                      strokeWidth="1.6"
                      strokeDasharray={edgeOf(section)}
                    />
                  </svg>
                </Head>
              ))}
            </tr>
          </tfoot>
        </Table>
      </Box>
      <Others
        name={t("students.flights.joins")}
        steps={piece.steps.filter((step) => !step.section && JOINS.includes(step.stage))}
      />
      <Others
        name={t("students.flights.whole_piece")}
        steps={piece.steps.filter((step) => !step.section && !JOINS.includes(step.stage))}
      />
    </Paper>
  );
}

/** Stages that join sections. */
const JOINS = ["join", "grow"];

function nameOf(piece: Piece, stage: string) {
  return piece.steps.find((step) => step.section && step.stage === stage)?.stage_name ?? stage;
}

function Tread({ step }: { step: Step }) {
  const said = t("students.flights.of_good_days", {
    title: step.title,
    state: stateWord(step.state),
    credited: step.credited,
    count: step.good_days,
  });
  return (
    <Flex align="center" gap="6px" title={`${step.place} · ${step.arithmetic}`}>
      <StateMark state={step.state} share={step.credited / step.good_days} label={said} />
      <Text fontSize="sm" color="soft" aria-hidden="true">
        {step.credited}/{step.good_days}
      </Text>
    </Flex>
  );
}

/** Steps of no section, in the order in which they come. */
function Others({ name, steps }: { name: string; steps: Step[] }) {
  if (steps.length === 0) return null;
  return (
    <Flex gap="4px 18px" wrap="wrap" mt="8px" align="center">
      <Text fontSize="sm" fontWeight={650} color="soft">
        {name}
      </Text>
      {steps.map((step) => (
        <Flex key={step.id} gap="6px" align="center">
          <Text fontSize="sm">{step.title.split(", ")[JOINS.includes(step.stage) ? 0 : 1]}</Text>
          <Tread step={step} />
        </Flex>
      ))}
    </Flex>
  );
}
