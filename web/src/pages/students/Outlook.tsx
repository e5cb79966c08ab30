import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useTakeOption } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth } from "../../components/dates";
import { Notice } from "../../components/Notice";

type Piece = Schemas["Student"]["pieces"][number];

/** When a piece will be ready as this student practises; where that is too
 * late, what would help, each with its date. */
export function Outlook({ student, piece }: { student: number; piece: Piece }) {
  const take = useTakeOption(student);
  const { planned, middle, cautious, due_on, late, options } = piece.outlook;
  return (
    <Box mt="8px">
      <Text>
        {middle && cautious && planned ? (
          <>
            Likely ready <b>{dayAndMonth(middle)}</b>, all but certainly by <b>{dayAndMonth(cautious)}</b>
            <Text as="span" color="soft">
              {" "}
              ({dayAndMonth(planned)} if no day is missed)
            </Text>
          </>
        ) : (
          "Cannot be finished as things are: one step takes longer than any practice day."
        )}
        {due_on && (
          <Text as="span" color={late ? "brick" : "soft"} fontWeight={late ? 650 : 400}>
            {" "}
            · due {dayAndMonth(due_on)}
            {late && ", and it may be later"}
          </Text>
        )}
      </Text>
      {options.length > 0 && (
        <Flex gap="6px" mt="4px" wrap="wrap" align="center" className="no-print">
          <Text fontSize="sm" color="soft">
            What would help:
          </Text>
          {options.map((one) => (
            <Button
              key={one.change}
              size="sm"
              disabled={take.isPending}
              onClick={() => take.mutate({ change: one.change, assignment_id: piece.id })}
            >
              {one.words}: {dayAndMonth(one.date)}
            </Button>
          ))}
        </Flex>
      )}
      <Notice trouble={take.error} />
    </Box>
  );
}
