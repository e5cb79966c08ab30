import { Text } from "@chakra-ui/react";
import { useLoadArchive } from "../../api/queries/records";
import { Button } from "../../components/Button";
import { FileLink } from "../../components/FileLink";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { useFile } from "../../components/useFile";
import { t } from "../../words";

/** The whole studio as one file, and back where nothing is yet. */
export function Archive() {
  const load = useLoadArchive();
  const file = useFile(t("settings.archive.file"), ".zip", load.mutate);
  return (
    <Paper as="section" aria-label={t("settings.archive.archive")} p="14px 18px" flex="1 1 420px">
      <PartHead>{t("settings.archive.archive")}</PartHead>
      <Text mt="4px">{t("settings.archive.about")}</Text>
      <FileLink href="/api/studio/archive.zip">{t("settings.archive.take_out")}</FileLink>
      <Text mt="10px">{t("settings.archive.about_loading")}</Text>
      {file.input}
      <Button mt="6px" size="sm" disabled={load.isPending} onClick={file.choose}>
        {t("settings.archive.load")}
      </Button>
      {load.isPending && (
        <Text role="status" color="soft">
          {t("settings.archive.loading", { name: load.variables.name })}
        </Text>
      )}
      <Notice trouble={load.error} />
      {load.data && (
        <Text role="status">
          {t("settings.archive.loaded", {
            students: t("settings.archive.students", { count: load.data.students }),
            pieces: t("settings.archive.pieces", { count: load.data.pieces }),
          })}
        </Text>
      )}
    </Paper>
  );
}
