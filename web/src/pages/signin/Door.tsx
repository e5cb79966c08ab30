import { Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { useSession } from "../../api/queries";
import { Mark } from "../../components/Mark";
import { Paper } from "../../components/Paper";
import { colour } from "../../theme/system";
import { t } from "../../words";

/** What stands before everything else: one sheet of paper before the stairs. */
export function Door({ children, about }: { children: ReactNode; about?: string }) {
  useSession(); // what is sent from here carries its token
  return (
    // From the top, so that nothing moves when it grows by an answer.
    <Flex
      as="main"
      tabIndex={-1}
      minH="100vh"
      align="flex-start"
      justify="center"
      px="16px"
      py="max(16px, 16vh)"
      position="relative"
      overflow="hidden"
      _focusVisible={{ outline: "none" }}
    >
      <Flight />
      <Paper w="380px" maxW="100%" p="28px" position="relative">
        <Mark />
        <Text mt="10px" mb="16px" color="soft">
          {about ?? t("signin.sign_in_page.from_the_printed_page_to_this")}
        </Text>
        {children}
      </Paper>
    </Flex>
  );
}

/** A quiet flight of stairs behind the door. */
function Flight() {
  const treads = Array.from({ length: 18 }, (_, at) => at);
  return (
    <svg
      aria-hidden="true"
      viewBox="0 0 1280 800"
      preserveAspectRatio="xMidYMax slice"
      style={{ position: "absolute", inset: 0, width: "100%", height: "100%" }}
    >
      {treads.map((at) => (
        <rect
          key={at}
          x={at * 72}
          y={770 - at * 42}
          width="72"
          height="10"
          fill={at < 8 ? colour("line") : "none"}
          stroke={colour("line")}
          strokeWidth="1.5"
        />
      ))}
    </svg>
  );
}
