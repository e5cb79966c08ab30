import { Box, type BoxProps, Flex, Heading } from "@chakra-ui/react";
import type { ReactNode, Ref } from "react";
import { t } from "../words";

/** A sheet lying on the desk: what every part of a place is written on. */
export function Paper(props: BoxProps & { ref?: Ref<HTMLDivElement> }) {
  return (
    <Box bg="sheet" border="1px solid" borderColor="line" borderRadius="4px" minW={0} {...props} />
  );
}

/** The small heading of a part, with something beside it. */
export function PartHead({ children, beside }: { children: ReactNode; beside?: ReactNode }) {
  return (
    <Flex justify="space-between" align="baseline" gap="12px" wrap="wrap">
      <Heading as="h2" fontSize="sm" fontWeight={700} color="soft" lineHeight={1.6}>
        {children}
      </Heading>
      {beside && (
        <Box fontSize="sm" color="soft">
          {beside}
        </Box>
      )}
    </Flex>
  );
}

/**
 * The head of a place: its name, which names the window too, a line about it, and what one can do.
 */
export function PageHead({
  title,
  about,
  children,
}: {
  title: string;
  about?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <Flex align="flex-end" gap="16px" mb="12px" wrap="wrap">
      <title>{`${title} · ${t("components.mark.stairwell")}`}</title>
      <Box minW={0} flex="1 1 260px">
        <Heading
          as="h1"
          fontSize="1.75rem"
          lineHeight={1.15}
          letterSpacing="-0.5px"
          fontWeight={750}
        >
          {title}
        </Heading>
        {about && (
          <Box color="soft" mt="2px">
            {about}
          </Box>
        )}
      </Box>
      <Flex ml="auto" gap="8px" className="no-print" wrap="wrap">
        {children}
      </Flex>
    </Flex>
  );
}
