import { Box, Flex, Text } from "@chakra-ui/react";
import { t } from "../words";
import { Button } from "./Button";

type Props = {
  label: string;
  keys: string[];
  name: (key: string) => string;
  onChange: (keys: string[]) => void;
};

/** A short list put in order: each goes one place earlier or later. */
export function Ordered({ label, keys, name, onChange }: Props) {
  const swap = (at: number, by: 1 | -1) => {
    const found = [...keys];
    [found[at], found[at + by]] = [found[at + by] as string, found[at] as string];
    onChange(found);
  };
  return (
    <Box as="fieldset" border={0} p={0}>
      <Text as="legend" fontWeight={600} mb="4px">
        {label}
      </Text>
      <Flex as="ol" gap="6px" wrap="wrap" css={{ listStyle: "none" }}>
        {keys.map((key, at) => (
          <Flex
            as="li"
            key={key}
            align="center"
            border="1px solid"
            borderColor="line"
            borderRadius="4px"
          >
            <Button
              type="button"
              kind="quiet"
              size="xs"
              px="4px"
              disabled={at === 0}
              aria-label={t("components.ordered.earlier", { name: name(key) })}
              onClick={() => swap(at, -1)}
            >
              ‹
            </Button>
            <Text px="2px">
              {at + 1}. {name(key)}
            </Text>
            <Button
              type="button"
              kind="quiet"
              size="xs"
              px="4px"
              disabled={at === keys.length - 1}
              aria-label={t("components.ordered.later", { name: name(key) })}
              onClick={() => swap(at, 1)}
            >
              ›
            </Button>
          </Flex>
        ))}
      </Flex>
    </Box>
  );
}
