import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import {
  useLearners,
  useLoadOtherScore,
  useMergePieces,
  usePieces,
  useRenewPiece,
  useTakeBackPage,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { NameLink } from "../../components/NameLink";
import { Notice, Waiting } from "../../components/Notice";
import { PartHead } from "../../components/Paper";
import { May } from "../../components/Rights";
import { t } from "../../words";
import { useBringScore } from "../library/useBringScore";
import type { Bench } from "./useBench";

type Learner = Schemas["LearnerOfPage"];

/** Who learns the piece, and what its page as it is now would come to for each; another score for
 * it; and another entry that is the same piece. */
export function Learners({ id, bench }: { id: number; bench: Bench }) {
  const learners = useLearners(id, bench.revision);
  return (
    <>
      <Box as="section">
        <PartHead>{t("piece.learners.who_learns_it")}</PartHead>
        <Notice trouble={learners.error} again={() => learners.refetch()} />
        {learners.isPending && <Waiting what={t("piece.learners.who_learns_it")} />}
        {learners.data?.length === 0 && <Text color="soft">{t("piece.learners.nobody_yet")}</Text>}
        {learners.data?.map((one) => (
          <OfStudent key={one.assignment_id} one={one} />
        ))}
      </Box>
      <May to="teach">
        <OtherScore id={id} />
        <SamePiece id={id} />
      </May>
    </>
  );
}

const KINDS = ["kept", "added", "changed", "gone", "lost"] as const;

function OfStudent({ one }: { one: Learner }) {
  const renew = useRenewPiece(one.student_id);
  const back = useTakeBackPage(one.student_id);
  const changes = one.may.includes("change");
  return (
    <Box py="6px" borderBottom="1px solid" borderColor="line" _last={{ border: 0 }}>
      <Flex align="center" gap="8px" wrap="wrap">
        <NameLink to={`/students/${one.student_id}`}>{one.name}</NameLink>
        <Text flex="1" fontSize="sm" color={one.behind ? "brass" : "soft"}>
          {t(
            one.behind
              ? "piece.learners.has_the_page_as_it_was"
              : "piece.learners.has_the_page_as_it_is",
          )}
        </Text>
        {one.behind && changes && !one.refused && (
          <Button
            size="sm"
            disabled={renew.isPending}
            aria-label={t("piece.learners.take_it_over_for", { name: one.name })}
            onClick={() => renew.mutate(one.assignment_id)}
          >
            {t("piece.learners.take_it_over")}
          </Button>
        )}
        {one.can_take_back && changes && (
          <Button
            size="sm"
            kind="quiet"
            disabled={back.isPending}
            aria-label={t("piece.learners.take_it_back_for", { name: one.name })}
            onClick={() => back.mutate(one.assignment_id)}
          >
            {t("piece.learners.take_it_back")}
          </Button>
        )}
      </Flex>
      {one.refused && <Text fontSize="sm">{one.refused}</Text>}
      {one.behind &&
        KINDS.filter((kind) => one.moved[kind].length > 0).map((kind) => (
          <Text key={kind} fontSize="sm">
            <b>{t(`piece.learners.moved.${kind}`)}</b> {one.moved[kind].join("; ")}
          </Text>
        ))}
      <Notice trouble={renew.error ?? back.error} />
    </Box>
  );
}

function OtherScore({ id }: { id: number }) {
  const load = useLoadOtherScore(id);
  const [lost, setLost] = useState<string[] | null>(null);
  const score = useBringScore(load, (piece: { lost: string[] }) => setLost(piece.lost));
  return (
    <Box as="section">
      <PartHead>{t("piece.learners.another_score")}</PartHead>
      <Text fontSize="sm" color="soft" mb="4px">
        {t("piece.learners.sections_and_words_stay")}
      </Text>
      {score.input}
      <Button size="sm" onClick={score.choose} disabled={load.isPending}>
        {load.isPending
          ? t("library.library_page.reading_the_score")
          : t("piece.learners.load_another_score")}
      </Button>
      {score.questions}
      <Notice trouble={score.trouble} />
      {lost && (
        <Text role="status" fontSize="sm" mt="4px">
          {lost.length === 0 ? t("piece.learners.everything_has_its_place") : lost.join(" ")}
        </Text>
      )}
    </Box>
  );
}

function SamePiece({ id }: { id: number }) {
  const pieces = usePieces();
  const merge = useMergePieces(id);
  const [into, setInto] = useState<number | null>(null);
  const others = pieces.data?.filter((one) => one.id !== id) ?? [];
  if (others.length === 0) return null;
  return (
    <Box as="section">
      <PartHead>{t("piece.learners.the_same_piece_twice")}</PartHead>
      <Text fontSize="sm" color="soft" mb="4px">
        {t("piece.learners.this_one_goes_on_as")}
      </Text>
      <Flex gap="8px" align="flex-end" wrap="wrap">
        <Choice
          label={t("piece.learners.goes_on_as")}
          width="200px"
          value={into ?? ""}
          onChange={(event) => setInto(Number(event.target.value) || null)}
        >
          <option value="">{t("piece.learners.no_other")}</option>
          {others.map((one) => (
            <option key={one.id} value={one.id}>
              {one.book ? `${one.title}, ${one.book}` : one.title}
            </option>
          ))}
        </Choice>
        <Button
          disabled={into === null || merge.isPending}
          onClick={() => into !== null && merge.mutate(into)}
        >
          {t("piece.learners.make_them_one")}
        </Button>
      </Flex>
      <Notice trouble={merge.error} />
      {merge.data && (
        <Box role="status" fontSize="sm" mt="4px">
          {t("piece.learners.students_moved", { count: merge.data.moved })}{" "}
          {merge.data.stayed.length > 0 &&
            t("piece.learners.stayed", { names: merge.data.stayed.join(", ") })}{" "}
          <NameLink to={`/library/${merge.data.id}`}>{merge.data.title}</NameLink>
        </Box>
      )}
    </Box>
  );
}
