import { Flex, Input } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";

type Props = { piece: Schemas["Page"]; onLines: (page: number, lines: number[]) => void };

/** How many bars each line holds, typed as one counts them on paper. */
export function PageLines({ piece, onLines }: Props) {
  const shape = piece.shape.length > 0 ? piece.shape : piece.pages.map(assumed);
  return (
    <Flex gap="10px" align="center" wrap="wrap">
      {shape.map(({ page, lines }) => (
        <Flex as="label" key={`${page}/${lines}`} gap="5px" align="center">
          {t("piece.workbench.bars_a_line_page", { page })}
          <Input
            size="xs"
            w={`${Math.max(lines.length, 5) + 3}ch`}
            h="24px"
            borderColor="line"
            fontSize="sm"
            defaultValue={lines}
            aria-label={t("piece.workbench.bars_in_each_line_of_page", { page })}
            onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
            onBlur={(event) => {
              const typed = event.target.value.trim().split(/\s+/).map(Number);
              if (event.target.value.trim() !== lines && typed.every((one) => one >= 0))
                onLines(page, typed);
            }}
          />
        </Flex>
      ))}
    </Flex>
  );
}

const assumed = (page: Schemas["Page"]["pages"][number]) => ({
  page: page.number,
  lines: page.lines.map((line) => line.bars.filter((bar) => bar.name !== "0").length).join(" "),
});
