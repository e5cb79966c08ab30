import { Box, Flex, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { useNavigate } from "react-router";
import { useLoadScore, usePieces, useStudent, useStudents, useStudio } from "../../api/queries";
import { Button } from "../../components/Button";
import { NameLink } from "../../components/NameLink";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";

const LEFT = "stairwell-first-steps";
// The scores that ship, from easy to less easy.
const EXAMPLES = [
  ["lantern-room", "Lantern Room"],
  ["the-slow-ferry", "The Slow Ferry"],
  ["ropewalk", "Ropewalk"],
] as const;

/** From an empty studio to a sheet on a phone: what is done is ticked, and the path is gone for
 * good once it was left or walked to its end. */
export function FirstSteps() {
  const [left, setLeft] = useState(() => localStorage.getItem(LEFT) !== null);
  const students = useStudents().data;
  const pieces = usePieces().data;
  const rows = useStudio().data;
  const learner = rows?.find((row) => row.pieces.length > 0);
  const go = useNavigate();
  const leave = () => {
    localStorage.setItem(LEFT, "left");
    setLeft(true);
  };
  // What is still worked out of a student may be a piece in hand.
  if (left || !students || !pieces || !rows || rows.some((row) => !row.known)) return null;
  const piece = pieces[0];
  if (learner) return <Send student={learner.id} name={learner.name} onLeave={leave} />;
  return (
    <Path onLeave={leave}>
      <Step done={students.length > 0} name={t("today.first_steps.student")}>
        <NameLink to="/students">{t("today.first_steps.students")}</NameLink>
      </Step>
      <Step done={pieces.length > 0} name={t("today.first_steps.piece")}>
        <NameLink to="/library/type">{t("library.library_page.type_what_is_printed")}</NameLink>
        <NameLink to="/library">{t("library.library_page.load_a_score")}</NameLink>
        <Examples onLoaded={(id) => go(`/library/${id}`)} />
      </Step>
      <Step
        done={pieces.some((one) => one.sections.length > 0)}
        name={t("today.first_steps.sections")}
      >
        {piece && <NameLink to={`/library/${piece.id}`}>{piece.title}</NameLink>}
      </Step>
      <Step done={false} name={t("today.first_steps.assign")}>
        {piece && students.length > 0 && (
          <NameLink to={`/library/${piece.id}`}>{piece.title}</NameLink>
        )}
      </Step>
      <Step done={false} name={t("today.first_steps.send")} />
    </Path>
  );
}

/** The way, with the way out of it. */
function Path({ onLeave, children }: { onLeave: () => void; children: ReactNode }) {
  return (
    <Paper as="section" aria-label={t("today.first_steps.title")} px="16px" py="12px" mb="12px">
      <PartHead
        beside={
          <Button kind="quiet" size="sm" onClick={onLeave}>
            {t("today.first_steps.leave")}
          </Button>
        }
      >
        {t("today.first_steps.title")}
      </PartHead>
      <Box as="ol" listStyleType="none" mt="6px">
        {children}
      </Box>
    </Paper>
  );
}

/**
 * The last step: the week goes to a phone. A studio whose first student has a sheet has found its
 * way.
 */
function Send({ student, name, onLeave }: { student: number; name: string; onLeave: () => void }) {
  const found = useStudent(student).data;
  if (!found || found.sheet_path) return null;
  return (
    <Path onLeave={onLeave}>
      <Step done={false} name={t("today.first_steps.send")}>
        <NameLink to={`/students/${student}`}>{name}</NameLink>
      </Step>
    </Path>
  );
}

function Step({ done, name, children }: { done: boolean; name: string; children?: ReactNode }) {
  return (
    <Flex as="li" gap="6px 12px" align="center" wrap="wrap" py="4px">
      <Box
        aria-hidden
        flex="none"
        width="18px"
        height="18px"
        borderRadius="3px"
        border="2px solid"
        borderColor={done ? "ink" : "line"}
        bg={done ? "ink" : undefined}
      />
      <Text fontWeight={done ? 400 : 650} color={done ? "soft" : "ink"}>
        {name}
        {done && <Text as="span"> ({t("today.first_steps.is_done")})</Text>}
      </Text>
      {!done && children}
    </Flex>
  );
}

/** Scores that ship, to try it on. */
function Examples({ onLoaded }: { onLoaded: (id: number) => void }) {
  const load = useLoadScore();
  const bring = async (name: string) => {
    const answer = await fetch(`/examples/${name}.musicxml`);
    const file = new File([await answer.blob()], `${name}.musicxml`);
    load.mutate({ file }, { onSuccess: (piece) => onLoaded(piece.id) });
  };
  return (
    <>
      <Text color="soft">{t("today.first_steps.or_try")}</Text>
      {EXAMPLES.map(([file, title]) => (
        <Button key={file} size="sm" disabled={load.isPending} onClick={() => bring(file)}>
          {title}
        </Button>
      ))}
      <Notice trouble={load.error} />
    </>
  );
}
