import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { useLend, useTakeBack } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { PartHead } from "../../components/Paper";
import { t } from "../../words";
import type { Lesson } from "./results";

/** Books and the like that are at the student's home. */
export function Lent({ student, lent }: { student: number; lent: Lesson["lent"] }) {
  const [title, setTitle] = useState("");
  const lend = useLend(student);
  const back = useTakeBack(student);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (title.trim()) lend.mutate(title.trim(), { onSuccess: () => setTitle("") });
  };
  return (
    <Box>
      <PartHead>{t("lesson.lent.lent")}</PartHead>
      {lent.map((one) => (
        <Flex key={one.id} gap="6px" align="baseline" fontSize="sm">
          <Text>
            {one.title}{" "}
            <Text as="span" color="soft">
              {t("lesson.lent.since", { day: dayAndMonth(one.lent_on) })}
            </Text>
          </Text>
          <Button
            size="xs"
            ml="auto"
            aria-label={t("lesson.lent.is_back_2", { title: one.title })}
            onClick={() => back.mutate(one.id)}
          >
            {t("lesson.lent.is_back")}
          </Button>
        </Flex>
      ))}
      <form onSubmit={submit}>
        <Flex gap="6px" mt="2px">
          <Input
            size="xs"
            borderColor="line"
            aria-label={t("lesson.lent.lend")}
            placeholder={t("lesson.lent.lend_a_book")}
            maxLength={200}
            value={title}
            onChange={(event) => setTitle(event.target.value)}
          />
          <Button size="xs" type="submit" disabled={!title.trim()}>
            {t("lesson.lent.lend")}
          </Button>
        </Flex>
      </form>
      <Notice trouble={lend.error ?? back.error} />
    </Box>
  );
}
