import { Box, Flex, Link, Text, Textarea } from "@chakra-ui/react";
import type { Whose } from "../../api/queries";
import { t } from "../../words";
import { Diagnostics } from "./Diagnostics";
import { ScriptProblems } from "./ScriptProblems";
import type { Bench } from "./useBench";

const OUT = ["musicxml", "script", "map"] as const;

type Props = { id: number; whose: Whose; bench: Bench; onShow: (bar: number) => void };

/** The same map as text: what is typed here is on the page at once, what is
 * clicked on the page stands here, and what does not add up is said as one types. */
export function ScriptText({ id, whose, bench, onShow }: Props) {
  return (
    <Box as="section">
      {whose !== "studio" && (
        <Text fontSize="sm" color="soft" mb="4px">
          {t("piece.script_text.only_what_differs_from_the_studio")}
        </Text>
      )}
      <Textarea
        aria-label={t("piece.script_text.page_script")}
        spellCheck={false}
        value={bench.script}
        onChange={(event) => bench.type(event.target.value)}
        rows={Math.min(Math.max(bench.script.split("\n").length + 1, 12), 22)}
        borderColor="line"
        fontSize="sm"
        lineHeight={1.5}
        px="8px"
      />
      <ScriptProblems problems={bench.problems} />
      <Box aria-live="polite" fontSize="sm" mt="4px">
        <Diagnostics
          diagnostics={bench.piece.diagnostics}
          onShow={onShow}
          onMend={bench.apply}
          busy={bench.busy}
        />
      </Box>
      <Flex gap="10px" mt="8px" fontSize="sm" color="soft" wrap="wrap">
        {t("piece.script_text.save_to_a_file")}
        {OUT.map((kind) => (
          <Link
            key={kind}
            href={`/api/pieces/${id}/export/${kind}?for=${whose}`}
            color="slate"
            download
          >
            {t(`piece.script_text.${kind}`)}
          </Link>
        ))}
      </Flex>
    </Box>
  );
}
