import { Flex, Text } from "@chakra-ui/react";
import { FileLink } from "../../components/FileLink";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";

const TABLES = ["students", "results", "practice", "repertoire"];

/** What the studio holds, for other programs. */
export function TakeOut() {
  return (
    <Paper as="section" aria-label={t("settings.take_out.take_out")} p="14px 18px" flex="1 1 100%">
      <PartHead>{t("settings.take_out.take_out")}</PartHead>
      <Text mt="4px">{t("settings.take_out.about")}</Text>
      <Flex mt="8px" gap="6px 20px" wrap="wrap">
        {TABLES.map((table) => (
          <FileLink key={table} href={`/api/studio/csv/${table}`}>
            {t(`settings.take_out.${table}`)}
          </FileLink>
        ))}
      </Flex>
    </Paper>
  );
}
