import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { newKey } from "../../api/client";
import { useAddClass, useClasses } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, listed, minutes, weekdayName } from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Empty, Lost, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { useMay } from "../../components/Rights";
import { t } from "../../words";
import { ClassForm } from "./ClassForm";

/** The classes of the studio, in the order of the week. */
export default function ClassesPage() {
  const classes = useClasses();
  const add = useAddClass();
  const [adding, setAdding] = useState(false);
  const [key, setKey] = useState(newKey);
  const may = useMay();
  const go = useNavigate();
  if (classes.error && !classes.data)
    return <Lost trouble={classes.error} again={() => classes.refetch()} />;
  if (!classes.data) return <Waiting what={t("classes.the_classes")} />;
  return (
    <>
      <PageHead title={t("classes.classes")} about={t("classes.about")}>
        {may("teach") && !adding && (
          <Button
            kind="go"
            onClick={() => {
              setKey(newKey());
              setAdding(true);
            }}
          >
            {t("classes.new_class")}
          </Button>
        )}
      </PageHead>
      {adding && (
        <Paper p="16px 18px" mb="14px" borderColor="rail">
          <ClassForm
            verb={t("classes.make_it")}
            trouble={add.error}
            busy={add.isPending}
            onCancel={() => setAdding(false)}
            onSave={(values) =>
              add.mutate({ ...values, key }, { onSuccess: (made) => go(`/classes/${made.id}`) })
            }
          />
        </Paper>
      )}
      <Paper>
        {classes.data.length === 0 && <Empty>{t("classes.none_yet")}</Empty>}
        {classes.data.map((one) => (
          <Flex
            key={one.id}
            as="section"
            aria-label={one.name}
            gap="14px"
            px="16px"
            py="10px"
            borderBottom="1px solid"
            borderColor="line"
            _last={{ border: 0 }}
            align="flex-start"
            wrap="wrap"
          >
            <Box flex="1 1 320px">
              <NameLink to={`/classes/${one.id}`}>{one.name}</NameLink>
              <Text color="soft">
                {listed([
                  `${weekdayName(one.weekday)} ${one.time}`,
                  minutes(one.minutes),
                  one.teacher,
                ])}
              </Text>
              <Text fontSize="sm">
                {one.members.map((member) => member.name).join(", ") || t("classes.nobody_yet")}
              </Text>
            </Box>
            <Text flex="1 1 240px">
              {one.unit
                ? t("classes.unit_due", {
                    title: one.unit.title,
                    day: dayAndMonth(one.unit.due_on),
                    time: one.unit.due_time,
                  })
                : t("classes.no_unit")}
            </Text>
            {may("hear") && (
              <Button
                onClick={() => go(`/classes/${one.id}/lesson`)}
                disabled={one.members.length === 0}
              >
                {t("classes.open_lesson")}
              </Button>
            )}
          </Flex>
        ))}
      </Paper>
    </>
  );
}
