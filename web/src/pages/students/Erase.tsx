import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useErase, useStopErasing } from "../../api/queries/records";
import { Button } from "../../components/Button";
import { dayAndMonth } from "../../components/dates";
import { Labelled } from "../../components/Labelled";
import { Notice } from "../../components/Notice";
import { t } from "../../words";

type Student = { id: number; name: string; erasing_on?: string | null };

/** Has a student's record erased for good a day later, with the name typed; or stops that. */
export function Erase({ student }: { student: Student }) {
  const [sure, setSure] = useState(false);
  const [name, setName] = useState("");
  const erase = useErase(student.id);
  const close = () => {
    setSure(false);
    setName("");
  };
  if (student.erasing_on)
    return <Erasing student={student} on={student.erasing_on} places={erase.data?.places ?? []} />;
  if (!sure)
    return (
      <Button mt="8px" size="sm" onClick={() => setSure(true)}>
        {t("students.erase.erase", { name: student.name })}
      </Button>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        erase.mutate(name, { onSuccess: close });
      }}
    >
      <Text mt="8px">{t("students.erase.about")}</Text>
      <Flex gap="8px" mt="6px" align="end" wrap="wrap">
        <Labelled
          label={t("students.erase.type_the_name", { name: student.name })}
          width="260px"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" disabled={name.trim() !== student.name || erase.isPending}>
          {t("students.erase.for_good")}
        </Button>
        <Button type="button" kind="quiet" onClick={close}>
          {t("students.erase.keep")}
        </Button>
      </Flex>
      <Notice trouble={erase.error} />
    </form>
  );
}

type Place = { place: string; count: number };

/** When it happens, where the name will still stand, and how to stop it. */
function Erasing({ student, on, places }: { student: Student; on: string; places: Place[] }) {
  const stop = useStopErasing(student.id);
  return (
    <>
      <Text role="status" mt="8px" color="brick">
        {t("students.erase.erasing_on", { name: student.name, day: dayAndMonth(on) })}
      </Text>
      {places.length > 0 && (
        <Text mt="4px">
          {t("students.erase.still", {
            name: student.name,
            places: places.map((one) => `${one.place} (${one.count})`).join(", "),
          })}
        </Text>
      )}
      <Button mt="6px" size="sm" disabled={stop.isPending} onClick={() => stop.mutate(undefined)}>
        {t("students.erase.stop")}
      </Button>
      <Notice trouble={stop.error} />
    </>
  );
}
