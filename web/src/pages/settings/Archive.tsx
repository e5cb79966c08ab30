import { Text } from "@chakra-ui/react";
import {
  type ArchiveLoad,
  isActive,
  useArchiveLoad,
  useLoadArchive,
} from "../../api/queries/records";
import { Button } from "../../components/Button";
import { FileLink } from "../../components/FileLink";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { useFile } from "../../components/useFile";
import { t } from "../../words";

/** The whole studio as one file, and back where nothing is yet. */
export function Archive() {
  const load = useLoadArchive();
  const state = useArchiveLoad();
  const file = useFile(t("settings.archive.file"), ".zip", load.mutate);
  return (
    <Paper as="section" aria-label={t("settings.archive.archive")} p="14px 18px" flex="1 1 420px">
      <PartHead>{t("settings.archive.archive")}</PartHead>
      <Text mt="4px">{t("settings.archive.about")}</Text>
      <FileLink href="/api/studio/archive.zip">{t("settings.archive.take_out")}</FileLink>
      <Text mt="10px">{t("settings.archive.about_loading")}</Text>
      {file.input}
      <Button
        mt="6px"
        size="sm"
        disabled={load.isPending || isActive(state.data)}
        onClick={file.choose}
      >
        {t("settings.archive.load")}
      </Button>
      <Notice trouble={load.error} />
      {state.data && <Progress load={state.data} />}
    </Paper>
  );
}

/** How far it is, and what became of it. */
function Progress({ load }: { load: ArchiveLoad }) {
  if (load.state === "none") return null;
  if (load.state === "failed")
    return <Text role="alert">{t("settings.archive.failed", { detail: load.detail ?? "" })}</Text>;
  const words =
    load.state === "loaded"
      ? t("settings.archive.loaded", {
          students: t("settings.archive.students", { count: load.students ?? 0 }),
          pieces: t("settings.archive.pieces", { count: load.pieces ?? 0 }),
        })
      : t(`settings.archive.${load.state}`, { done: load.done, total: load.total });
  return <Text role="status">{words}</Text>;
}
