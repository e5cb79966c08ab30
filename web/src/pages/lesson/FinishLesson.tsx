import { Flex, Text } from "@chakra-ui/react";
import { useNavigate } from "react-router";
import { useFinish } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import type { Lesson } from "./results";

/** Ends a lesson: prints the week, sends the recap, or both. */
export function FinishLesson({ lesson, waiting, onDone }: { lesson: Lesson; waiting: number; onDone: () => void }) {
  const finish = useFinish(lesson.student.id);
  const go = useNavigate();
  const address = lesson.student.email;
  const end = (send: boolean, print: boolean) =>
    finish.mutate(send, {
      onSuccess: () => {
        if (print) window.open(`/api/students/${lesson.student.id}/week.pdf`, "_blank");
        onDone();
        go("/today");
      },
    });
  return (
    <Paper
      role="dialog"
      aria-label="Finish lesson"
      p="12px 16px"
      mb="12px"
      borderColor="rail"
      onKeyDown={(event) => event.key === "Escape" && onDone()}
    >
      <Flex gap="8px" align="center" wrap="wrap">
        <Button autoFocus kind="go" disabled={finish.isPending || waiting > 0} onClick={() => end(!!address, false)}>
          {address ? "Send and finish" : "Finish"}
        </Button>
        <Button disabled={finish.isPending || waiting > 0} onClick={() => end(false, true)}>
          Print and finish
        </Button>
        {address && (
          <>
            <Button disabled={finish.isPending || waiting > 0} onClick={() => end(true, true)}>
              Send, print and finish
            </Button>
            <Button disabled={finish.isPending || waiting > 0} onClick={() => end(false, false)}>
              Finish without sending
            </Button>
          </>
        )}
        <Button kind="quiet" onClick={onDone}>
          Not yet
        </Button>
        <Text fontSize="sm" color="soft">
          {waiting > 0
            ? `${waiting} results are still on their way.`
            : address
              ? `The recap goes to ${address}.`
              : `No email address for ${lesson.student.name}; add one under Change to send the recap.`}
        </Text>
      </Flex>
      <Notice trouble={finish.error} />
    </Paper>
  );
}
