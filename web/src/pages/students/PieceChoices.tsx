import { Box, Flex, Input, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useChangePiece, useEndPiece, useRenewPiece } from "../../api/queries";
import { Button } from "../../components/Button";
import { Introductions } from "../../components/Introductions";
import { Notice } from "../../components/Notice";
import { Ordered } from "../../components/Ordered";
import { OrderOptions, type OrderWord } from "../../components/SectionOrder";
import { Select } from "../../components/Select";
import { t } from "../../words";

type Piece = Schemas["Student"]["pieces"][number];

/** What can be changed of a piece under way: its place among the others, when it
 * is to be ready, and whether its sections wait to be introduced. */
export function PieceChoices({
  student,
  piece,
  several,
}: {
  student: number;
  piece: Piece;
  several: boolean;
}) {
  const change = useChangePiece(student);
  const renew = useRenewPiece(student);
  const end = useEndPiece(student);
  const set = (what: {
    due_on?: string | null;
    priority?: number;
    introduce_first?: boolean;
    without?: string[];
    section_order?: OrderWord | string[];
  }) => change.mutate({ assignment: piece.id, ...what });
  const own = Array.isArray(piece.section_order);
  return (
    <Box className="no-print">
      <Flex gap="14px" wrap="wrap" align="center" fontSize="sm" mt="6px">
        <Text as="span">
          {t("students.piece_choices.ready_by")}{" "}
          <Input
            type="date"
            size="xs"
            w="140px"
            borderColor="line"
            aria-label={t("students.piece_choices.is_to_be_ready_by", { title: piece.title })}
            defaultValue={piece.due_on ?? ""}
            onBlur={(event) =>
              event.target.value !== (piece.due_on ?? "") &&
              set({ due_on: event.target.value || null })
            }
          />
        </Text>
        {several && (
          <Text as="span">
            {t("students.piece_choices.place")}{" "}
            <Select
              aria-label={t("students.piece_choices.place_of_among_the_pieces", {
                title: piece.title,
              })}
              value={String(piece.priority)}
              onChange={(event) => set({ priority: Number(event.target.value) })}
            >
              <option value="1">{t("students.piece_choices.before_the_others")}</option>
              <option value="0">{t("students.piece_choices.in_its_turn")}</option>
              <option value="-1">{t("students.piece_choices.when_there_is_room")}</option>
            </Select>
          </Text>
        )}
        <Text as="span">
          <input
            type="checkbox"
            aria-label={t("students.piece_choices.sections_of_wait_to_be_introduced", {
              title: piece.title,
            })}
            checked={piece.introduce_first}
            onChange={(event) => set({ introduce_first: event.target.checked })}
          />{" "}
          {t("students.piece_choices.sections_wait_to_be_introduced")}
        </Text>
        {piece.sections.length > 1 && (
          <Text as="span">
            {t("students.piece_choices.sections_begin")}{" "}
            <Select
              aria-label={t("students.piece_choices.order_of_the_sections_of", {
                title: piece.title,
              })}
              value={own ? "own" : String(piece.section_order)}
              onChange={({ target }) =>
                set({
                  section_order:
                    target.value === "own" ? piece.sections : (target.value as OrderWord),
                })
              }
            >
              <OrderOptions />
              <option value="own">{t("students.piece_choices.in_my_order")}</option>
            </Select>
          </Text>
        )}
        {own && (
          <Ordered
            label={t("students.piece_choices.order_of_the_sections_of", { title: piece.title })}
            keys={piece.sections}
            name={(label) => label}
            onChange={(labels) => set({ section_order: labels })}
          />
        )}
        <Introductions
          student={student}
          named={false}
          all={piece.introductions.map((one) => ({
            ...one,
            assignment_id: piece.id,
            piece: piece.title,
          }))}
        />
        {piece.introductions.some((one) => !one.introduced) && (
          <Text color="soft">{t("students.piece_choices.press_a_letter_when_it_was")}</Text>
        )}
      </Flex>
      <Flex gap="6px" mt="6px" align="center" wrap="wrap" fontSize="sm">
        <Button
          size="xs"
          onClick={() => renew.mutate(piece.id)}
          title={t("students.piece_choices.makes_the_steps_anew_from_the")}
        >
          {t("students.piece_choices.take_the_page_as_it_is")}
        </Button>
        <Button size="xs" onClick={() => end.mutate({ assignment: piece.id, ended: "passed" })}>
          {t("students.piece_choices.passed")}
        </Button>
        <Button
          size="xs"
          onClick={() =>
            end.mutate({ assignment: piece.id, ended: "kept", keep_for: piece.due_on ?? undefined })
          }
          disabled={!piece.due_on}
          title={piece.due_on ? undefined : t("students.piece_choices.say_first_by_when_it_is")}
        >
          {t("students.piece_choices.keep_it_ready")}
        </Button>
        <Button size="xs" onClick={() => end.mutate({ assignment: piece.id, ended: "set_aside" })}>
          {t("students.piece_choices.set_aside")}
        </Button>
        {piece.without.map((label) => (
          <Button
            key={label}
            size="xs"
            title={t("students.piece_choices.section_is_left_out_for_this", { label })}
            onClick={() => set({ without: piece.without.filter((one) => one !== label) })}
          >
            {t("students.piece_choices.take_section_in_again", { label })}
          </Button>
        ))}
        {renew.data?.moved && <Text role="status">{moved(renew.data.moved)}</Text>}
      </Flex>
      <Notice trouble={change.error ?? renew.error ?? end.error} />
    </Box>
  );
}

/** What taking the page over changed; all marks stay where they were. */
function moved({ added, gone: untouched, changed, lost }: Schemas["Moved"]) {
  const gone = [...untouched, ...lost];
  const said = [
    added.length > 0 && t("students.piece_choices.moved.added", { titles: added.join(", ") }),
    gone.length > 0 && t("students.piece_choices.moved.gone", { titles: gone.join(", ") }),
    changed.length > 0 && t("students.piece_choices.moved.changed", { titles: changed.join(", ") }),
  ].filter(Boolean);
  return said.length ? said.join("; ") : t("students.piece_choices.nothing_changed");
}
