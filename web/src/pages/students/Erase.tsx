import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useErase } from "../../api/queries/records";
import { Button } from "../../components/Button";
import { Labelled } from "../../components/Labelled";
import { Notice } from "../../components/Notice";
import { t } from "../../words";

/** Takes a student's record away for good: only with the name typed, and never back. */
export function Erase({ student }: { student: { id: number; name: string } }) {
  const [sure, setSure] = useState(false);
  const [name, setName] = useState("");
  const erase = useErase(student.id);
  const go = useNavigate();
  if (erase.data)
    return (
      <Text role="status" mt="8px">
        {erase.data.places.length === 0
          ? t("students.erase.nothing_left")
          : t("students.erase.still", {
              places: erase.data.places.map((one) => `${one.place} (${one.count})`).join(", "),
            })}{" "}
        <Button size="sm" onClick={() => go("/students")}>
          {t("students.erase.to_the_students")}
        </Button>
      </Text>
    );
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
        erase.mutate(name);
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
        <Button type="button" kind="quiet" onClick={() => setSure(false)}>
          {t("students.erase.keep")}
        </Button>
      </Flex>
      <Notice trouble={erase.error} />
    </form>
  );
}
