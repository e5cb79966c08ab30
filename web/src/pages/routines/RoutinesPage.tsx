import { Box, chakra, Flex, Grid, Heading, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { keptOf, type Schemas } from "../../api/client";
import {
  type StageChange,
  useChangeRoutine,
  useCopyRoutine,
  usePieces,
  useRoutines,
  useRoutineTrial,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { Conflict } from "../../components/Conflict";
import { minutes } from "../../components/dates";
import { Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { May, useMay } from "../../components/Rights";
import { Select } from "../../components/Select";
import { useCalm } from "../../components/useCalm";
import { t } from "../../words";
import { AddStage } from "./AddStage";
import { StagePath } from "./StagePath";
import { StageStairs } from "./StageStairs";
import { StageTable } from "./StageTable";

type Routine = Schemas["Routine"];

/** How a section is learnt: the routines that ship, and the studio's own. */
export default function RoutinesPage() {
  const routines = useRoutines();
  const [key, setKey] = useState("hand_by_hand");
  if (routines.error && !routines.data)
    return <Lost trouble={routines.error} again={() => routines.refetch()} />;
  if (!routines.data) return <Waiting what={t("routines.routines_page.the_routines")} />;
  const chosen = routines.data.find((one) => one.key === key) ?? (routines.data[0] as Routine);
  return (
    <>
      <PageHead
        title={t("routines.routines_page.routines")}
        about={t("routines.routines_page.how_a_section_is_learnt_copy")}
      />
      <Grid
        templateColumns={{ base: "1fr", lg: "270px minmax(0, 1fr)" }}
        gap="12px"
        alignItems="start"
      >
        <Paper as="nav" aria-label={t("routines.routines_page.routines")} p="6px">
          {routines.data.map((one) => (
            <Button
              key={one.key}
              kind="quiet"
              w="100%"
              h="auto"
              justifyContent="flex-start"
              whiteSpace="normal"
              textAlign="left"
              color="ink"
              aria-current={one.key === chosen.key ? "true" : undefined}
              boxShadow={
                one.key === chosen.key ? "inset 4px 0 0 var(--chakra-colors-rail)" : undefined
              }
              pl="12px"
              onClick={() => setKey(one.key)}
            >
              {one.name}
              {one.version !== null && (
                <Text as="span" fontSize="sm" color="soft">
                  {t("routines.routines_page.yours")}
                </Text>
              )}
            </Button>
          ))}
        </Paper>
        <Chosen key={chosen.key} routine={chosen} onCopied={setKey} />
      </Grid>
    </>
  );
}

function Chosen({ routine, onCopied }: { routine: Routine; onCopied: (key: string) => void }) {
  const [typed, setTyped] = useState<{ name?: string; for_whom?: string }>({});
  const [changes, setChanges] = useState<Record<string, StageChange>>({});
  // Pressed in the drawing: told of, and opened where it can be changed.
  const [stage, setStage] = useState<string | null>(null);
  const choose = (key: string) => {
    setStage(key === stage ? null : key);
    requestAnimationFrame(() =>
      document.getElementById(`stage-${key}`)?.scrollIntoView({ block: "nearest" }),
    );
  };
  const copy = useCopyRoutine();
  const save = useChangeRoutine(routine.key);
  const teaches = useMay()("teach");
  const own = routine.version !== null && teaches;
  // What one changes is changed as it was when one began.
  const [begun, setBegun] = useState(routine.version ?? 0);
  const stages = Object.values(changes);
  const { name, for_whom } = { ...routine, ...typed };
  const changed = stages.length > 0 || name !== routine.name || for_whom !== routine.for_whom;
  const kept = keptOf(save.error, "routine");
  const forget = () => {
    setChanges({});
    setTyped({});
    save.reset();
  };
  const store = (version: number) =>
    save.mutate({ name, for_whom, stages, version }, { onSuccess: forget });
  const change = (key: string, what: Partial<StageChange>) =>
    setChanges({ ...changes, [key]: { ...changes[key], key, ...what } });
  if (!changed && begun !== (routine.version ?? 0)) setBegun(routine.version ?? 0);

  return (
    <Paper p="12px 18px 14px">
      <Flex gap="12px" align="center" wrap="wrap">
        {own ? (
          <Input
            aria-label={t("routines.routines_page.name_of_the_routine")}
            value={name}
            onChange={(event) => setTyped({ ...typed, name: event.target.value })}
            maxLength={80}
            w="320px"
            fontWeight={700}
            borderColor="line"
          />
        ) : (
          <Heading as="h2" fontSize="lg" fontWeight={700}>
            {routine.name}
          </Heading>
        )}
        <Flex ml="auto" gap="8px">
          {own && (
            <Button kind="go" disabled={!changed || save.isPending} onClick={() => store(begun)}>
              {t("routines.routines_page.save_the_routine")}
            </Button>
          )}
          {own && changed && (
            <Button onClick={forget}>{t("routines.routines_page.back_to_what_is_stored")}</Button>
          )}
          <May to="teach">
            <Button
              disabled={copy.isPending}
              onClick={() =>
                copy.mutate(
                  {
                    key: routine.key,
                    name: t("routines.routines_page.our_way", { name: routine.name.slice(0, 60) }),
                  },
                  { onSuccess: (made) => onCopied(made.key) },
                )
              }
            >
              {t("routines.routines_page.copy_and_change")}
            </Button>
          </May>
        </Flex>
      </Flex>
      {own ? (
        <Input
          aria-label={t("routines.routines_page.for_whom_it_is")}
          value={for_whom}
          onChange={(event) => setTyped({ ...typed, for_whom: event.target.value })}
          maxLength={400}
          mt="8px"
          borderColor="line"
        />
      ) : (
        <Text mt="4px">
          {routine.for_whom}{" "}
          <Text as="span" color="soft">
            {routine.why}
          </Text>
        </Text>
      )}
      {kept ? (
        <Conflict
          said={save.error?.problem.detail ?? ""}
          busy={save.isPending}
          onTheirs={forget}
          onMine={() => store(kept.version ?? 0)}
        >
          <Text>
            <b>{kept.name}</b>: {kept.stages.map((stage) => stage.name).join(", ")}
          </Text>
        </Conflict>
      ) : (
        <Notice trouble={save.error ?? copy.error} />
      )}
      <Trial routine={routine} stages={stages} />
      <StageStairs stages={routine.stages} chosen={stage} onChoose={choose} />
      {own ? (
        <StageTable
          routine={routine}
          changes={changes}
          onChange={change}
          open={stage}
          onOpen={setStage}
        />
      ) : (
        <StagePath stages={routine.stages} chosen={stage} />
      )}
      {own && (
        <AddStage
          taken={[...routine.stages.map((one) => one.key), ...Object.keys(changes)]}
          onAdd={(stage) => change(stage.key, stage)}
        />
      )}
    </Paper>
  );
}

/** What the routine, as it stands in the table, does to a piece. */
function Trial({ routine, stages }: { routine: Routine; stages: StageChange[] }) {
  const pieces = usePieces();
  const [piece, setPiece] = useState<number | null>(null);
  const trial = useRoutineTrial(routine.key, piece, useCalm(stages));
  return (
    <Box my="10px">
      <Flex gap="10px" align="center" wrap="wrap">
        <PartHead>{t("routines.routines_page.on_a_piece")}</PartHead>
        <Select
          w="230px"
          size="sm"
          aria-label={t("routines.routines_page.try_it_on_a_piece")}
          value={piece ?? ""}
          onChange={(event) => setPiece(Number(event.target.value) || null)}
        >
          <option value="">{t("routines.routines_page.choose_a_piece")}</option>
          {pieces.data?.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title}
            </option>
          ))}
        </Select>
        {trial.data && !trial.error && (
          <Text role="status">
            <b>{t("routines.routines_page.steps", { count: trial.data.steps })}</b>,{" "}
            {t("routines.routines_page.minutes_in_all", {
              minutes: minutes(Math.round(trial.data.minutes)),
            })}
            , {t("routines.routines_page.good_days", { count: trial.data.days })}
          </Text>
        )}
      </Flex>
      <Notice trouble={trial.error} />
      {trial.data && !trial.error && <StepPath steps={trial.data.path} />}
    </Box>
  );
}

/** The steps in the order in which a student comes to them. */
function StepPath({ steps }: { steps: Schemas["StepPath"] }) {
  return (
    <Box maxH="230px" overflowY="auto" tabIndex={0} my="6px" fontSize="sm">
      <chakra.ol
        aria-label={t("routines.path.steps")}
        m={0}
        pl="34px"
        listStyleType="decimal"
        css={{ columns: "330px auto", columnGap: "40px" }}
      >
        {steps.map((step) => (
          <li key={step.id}>
            {step.title}{" "}
            <Text as="span" color="soft">
              {step.place}
            </Text>
          </li>
        ))}
      </chakra.ol>
    </Box>
  );
}
