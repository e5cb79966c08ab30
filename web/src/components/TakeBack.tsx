import { Flex, Text } from "@chakra-ui/react";
import { useRestorePiece } from "../api/queries";
import { t } from "../words";
import { Button } from "./Button";
import { Notice } from "./Notice";

/** A piece that is off the shelf says so, and can be taken back. */
export function TakeBack({ id, title }: { id: number; title: string }) {
  const restore = useRestorePiece();
  return (
    <>
      <Flex
        role="status"
        bg="shade"
        px="12px"
        py="6px"
        mb="8px"
        gap="16px"
        align="center"
        borderRadius="2px"
      >
        <Text flex="1">{t("components.take_back.piece_is_deleted", { title })}</Text>
        <Button size="sm" onClick={() => restore.mutate(id)} disabled={restore.isPending}>
          {t("components.take_back.take_it_back")}
        </Button>
      </Flex>
      <Notice trouble={restore.error} />
    </>
  );
}
