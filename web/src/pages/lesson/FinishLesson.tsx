import { Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { useFinish, useSession } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { t } from "../../words";
import type { Lesson } from "./results";

/** Ends a lesson: prints the week, sends the recap, or both. */
export function FinishLesson({
  lesson,
  waiting,
  onDone,
}: {
  lesson: Lesson;
  waiting: number;
  onDone: () => void;
}) {
  const finish = useFinish(lesson.student.id);
  const go = useNavigate();
  const mails = useSession().data?.mail ?? false;
  const addresses = [
    lesson.student.email,
    ...(lesson.student.contacts ?? []).map((one) => one.email),
  ].filter(Boolean);
  // Pressed while results are on their way, it ends once they have arrived.
  const [wanted, setWanted] = useState<{ send: boolean; print: boolean } | null>(null);
  const end = (send: boolean, print: boolean) => setWanted({ send, print });
  // Nobody gets a letter from a server that sends none.
  const address = mails ? [...new Set(addresses)].join(", ") : "";
  const copy = () =>
    navigator.clipboard
      ?.writeText(lesson.lesson?.recap ?? lesson.recap)
      .then(() => end(false, false));
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each press
  useEffect(() => {
    if (!wanted || waiting > 0) return;
    setWanted(null);
    finish.mutate(wanted.send, {
      onSuccess: () => {
        if (wanted.print) window.open(`/api/students/${lesson.student.id}/week.pdf`, "_blank");
        onDone();
        go("/today");
      },
    });
  }, [wanted, waiting]);
  const busy = finish.isPending || wanted !== null;
  return (
    <Paper
      role="dialog"
      aria-label={t("lesson.finish_lesson.finish_lesson")}
      p="12px 16px"
      mb="12px"
      borderColor="rail"
      onKeyDown={(event) => event.key === "Escape" && onDone()}
    >
      <Flex gap="8px" align="center" wrap="wrap">
        <Button autoFocus kind="go" disabled={busy} onClick={() => end(!!address, false)}>
          {address ? t("lesson.finish_lesson.send_and_finish") : t("lesson.finish_lesson.finish")}
        </Button>
        <Button disabled={busy} onClick={() => end(false, true)}>
          {t("lesson.finish_lesson.print_and_finish")}
        </Button>
        {address && (
          <>
            <Button disabled={busy} onClick={() => end(true, true)}>
              {t("lesson.finish_lesson.send_print_and_finish")}
            </Button>
            <Button disabled={busy} onClick={() => end(false, false)}>
              {t("lesson.finish_lesson.finish_without_sending")}
            </Button>
          </>
        )}
        {!mails && (
          <Button disabled={busy} onClick={copy}>
            {t("lesson.finish_lesson.copy_and_finish")}
          </Button>
        )}
        <Button kind="quiet" onClick={onDone}>
          {t("lesson.finish_lesson.not_yet")}
        </Button>
        <Text fontSize="sm" color="soft">
          {waiting > 0
            ? t("lesson.finish_lesson.results_are_still_on_their_way", { waiting })
            : toWhom(mails, address, lesson.student.name)}
        </Text>
      </Flex>
      <Notice trouble={finish.error} />
    </Paper>
  );
}

/** Where the recap goes, or why it goes nowhere. */
function toWhom(mails: boolean, address: string, student: string) {
  if (!mails) return t("lesson.finish_lesson.no_mail_server");
  if (address) return t("lesson.finish_lesson.the_recap_goes_to", { address });
  return t("lesson.finish_lesson.no_email_address_for_add_one", { student });
}
