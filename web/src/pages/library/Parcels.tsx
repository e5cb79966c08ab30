import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useLoadPages } from "../../api/queries";
import { Button } from "../../components/Button";
import { FileLink } from "../../components/FileLink";
import { NameLink } from "../../components/NameLink";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { Tick } from "../../components/Tick";
import { useFile } from "../../components/useFile";
import { t } from "../../words";

type Card = Schemas["PieceCard"];

const ASKED = ["notes", "verses", "track"] as const;

/** Pages that go to another studio, and those that come from one. */
export function Parcels({ pieces }: { pieces: Card[] }) {
  return (
    <Paper
      as="section"
      aria-label={t("library.parcels.pages_for_another_studio")}
      px="16px"
      py="10px"
      mt="16px"
    >
      <details>
        <summary style={{ cursor: "pointer", minHeight: 32, paddingTop: 4 }}>
          <Box display="inline-block">
            <PartHead>{t("library.parcels.pages_for_another_studio")}</PartHead>
          </Box>
        </summary>
        <Flex gap="24px" wrap="wrap" align="start" mt="6px">
          {pieces.length > 0 && <Give pieces={pieces} />}
          <Take />
        </Flex>
      </details>
    </Paper>
  );
}

function toggled<T>(all: T[], one: T) {
  return all.includes(one) ? all.filter((other) => other !== one) : [...all, one];
}

/** Which pages, and what may go with them. */
function Give({ pieces }: { pieces: Card[] }) {
  const [chosen, choose] = useState<number[]>([]);
  const [given, give] = useState<(typeof ASKED)[number][]>([]);
  const address = `/api/pieces/parcel?pieces=${chosen.join(",")}${given.length > 0 ? `&with=${given.join(",")}` : ""}`;
  return (
    <Box flex="1 1 380px">
      <Text>{t("library.parcels.about")}</Text>
      <Box
        as="fieldset"
        mt="6px"
        aria-label={t("library.parcels.which_pages")}
        maxH="260px"
        overflowY="auto"
      >
        {pieces.map((piece) => (
          <Tick
            key={piece.id}
            checked={chosen.includes(piece.id)}
            onChange={() => choose(toggled(chosen, piece.id))}
          >
            {piece.title}
            {piece.book && `, ${piece.book}`}
          </Tick>
        ))}
      </Box>
      <Box as="fieldset" mt="8px" aria-label={t("library.parcels.what_may_go_with_them")}>
        <Text fontWeight={600}>{t("library.parcels.what_may_go_with_them")}</Text>
        {ASKED.map((one) => (
          <Tick key={one} checked={given.includes(one)} onChange={() => give(toggled(given, one))}>
            {t(`library.parcels.${one}`)}
          </Tick>
        ))}
      </Box>
      {chosen.length > 0 ? (
        <FileLink href={address} mt="6px">
          {t("library.parcels.give", { count: chosen.length })}
        </FileLink>
      ) : (
        <Text color="soft" mt="6px">
          {t("library.parcels.choose_first")}
        </Text>
      )}
    </Box>
  );
}

/** A file that another studio gave. */
function Take() {
  const load = useLoadPages();
  const file = useFile(t("library.parcels.file"), ".json", load.mutate);
  return (
    <Box flex="1 1 280px">
      {file.input}
      <Text>{t("library.parcels.about_taking")}</Text>
      <Button mt="6px" disabled={load.isPending} onClick={file.choose}>
        {t(load.isPending ? "library.parcels.reading" : "library.parcels.take")}
      </Button>
      <Notice trouble={load.error} />
      {load.data && (
        <Box role="status" mt="6px">
          {t("library.parcels.came_in", { count: load.data.length })}{" "}
          {load.data.map((piece, at) => (
            <span key={piece.id}>
              {at > 0 && ", "}
              <NameLink fontSize="md" to={`/library/${piece.id}`}>
                {piece.title}
              </NameLink>
            </span>
          ))}
        </Box>
      )}
    </Box>
  );
}
