import { Box, Flex, Input, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useChangePiece, useEndPiece, useRenewPiece } from "../../api/queries";
import { Button } from "../../components/Button";
import { Introductions } from "../../components/Introductions";
import { Notice } from "../../components/Notice";
import { Pick } from "../../components/Pick";

type Piece = Schemas["Student"]["pieces"][number];

/** What can be changed of a piece under way: its place among the others, when it
 * is to be ready, and whether its sections wait to be introduced. */
export function PieceChoices({ student, piece, several }: { student: number; piece: Piece; several: boolean }) {
  const change = useChangePiece(student);
  const renew = useRenewPiece(student);
  const end = useEndPiece(student);
  const set = (what: { due_on?: string | null; priority?: number; introduce_first?: boolean; without?: string[] }) =>
    change.mutate({ assignment: piece.id, ...what });
  return (
    <Box className="no-print">
      <Flex gap="14px" wrap="wrap" align="center" fontSize="sm" mt="6px">
        <Text as="span">
          Ready by{" "}
          <Input
            type="date"
            size="xs"
            w="140px"
            borderColor="line"
            aria-label={`${piece.title} is to be ready by`}
            defaultValue={piece.due_on ?? ""}
            onBlur={(event) =>
              event.target.value !== (piece.due_on ?? "") && set({ due_on: event.target.value || null })
            }
          />
        </Text>
        {several && (
          <Text as="span">
            Place{" "}
            <Pick
              aria-label={`Place of ${piece.title} among the pieces`}
              value={String(piece.priority)}
              onChange={(event) => set({ priority: Number(event.target.value) })}
            >
              <option value="1">before the others</option>
              <option value="0">in its turn</option>
              <option value="-1">when there is room</option>
            </Pick>
          </Text>
        )}
        <Text as="span">
          <input
            type="checkbox"
            aria-label={`Sections of ${piece.title} wait to be introduced`}
            checked={piece.introduce_first}
            onChange={(event) => set({ introduce_first: event.target.checked })}
          />{" "}
          sections wait to be introduced
        </Text>
        <Introductions
          student={student}
          named={false}
          all={piece.introductions.map((one) => ({ ...one, assignment_id: piece.id, piece: piece.title }))}
        />
        {piece.introductions.some((one) => !one.introduced) && (
          <Text color="soft">Press a letter when it was shown.</Text>
        )}
      </Flex>
      <Flex gap="6px" mt="6px" align="center" wrap="wrap" fontSize="sm">
        <Button
          size="xs"
          onClick={() => renew.mutate(piece.id)}
          title="Makes the steps anew from the page as it is now; marks and results stay"
        >
          Take the page as it is now
        </Button>
        <Button size="xs" onClick={() => end.mutate({ assignment: piece.id, ended: "passed" })}>
          Passed
        </Button>
        <Button
          size="xs"
          onClick={() => end.mutate({ assignment: piece.id, ended: "kept", keep_for: piece.due_on ?? undefined })}
          disabled={!piece.due_on}
          title={piece.due_on ? undefined : "Say first by when it is to be ready"}
        >
          Keep it ready
        </Button>
        <Button size="xs" onClick={() => end.mutate({ assignment: piece.id, ended: "set_aside" })}>
          Set aside
        </Button>
        {piece.without.map((label) => (
          <Button
            key={label}
            size="xs"
            title={`Section ${label} is left out for this student`}
            onClick={() => set({ without: piece.without.filter((one) => one !== label) })}
          >
            Take section {label} in again
          </Button>
        ))}
        {renew.data?.moved && <Text role="status">{moved(renew.data.moved)}</Text>}
      </Flex>
      <Notice trouble={change.error ?? renew.error ?? end.error} />
    </Box>
  );
}

/** What taking the page over changed; all marks stay where they were. */
function moved({ added, gone, changed }: Schemas["Moved"]) {
  const said = [
    added.length > 0 && `new: ${added.join(", ")}`,
    gone.length > 0 && `gone: ${gone.join(", ")}`,
    changed.length > 0 && `changed: ${changed.join(", ")}`,
  ].filter(Boolean);
  return said.length ? said.join("; ") : "Nothing changed.";
}
