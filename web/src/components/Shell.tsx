import { Box, chakra, Flex } from "@chakra-ui/react";
import { ALargeSmall, LogOut, Moon, Sun } from "lucide-react";
import { type ReactNode, useState } from "react";
import { NavLink } from "react-router";
import type { Schemas } from "../api/client";
import { useChooseStudio, useSignOut } from "../api/queries";
import { choose, looks } from "../theme/looks";
import { t } from "../words";
import { Button } from "./Button";
import { KeyHelp } from "./KeyHelp";
import { Mark } from "./Mark";
import { Select } from "./Select";

const WAYS = ["today", "lessons", "studio", "students", "classes", "library", "routines", "outbox", "settings"];

const Way = chakra(NavLink);

/** The frame of every place: where one is, where one can go, how it looks. */
export function Shell({ session, children }: { session: Schemas["Session"]; children: ReactNode }) {
  return (
    <Box minH="100vh">
      <Flex
        as="header"
        className="no-print"
        align="center"
        minH="52px"
        px="24px"
        gap="24px"
        borderBottom="1px solid"
        borderColor="line"
        wrap="wrap"
      >
        <Mark />
        <Flex as="nav" aria-label={t("components.shell.pages")} gap="4px">
          {WAYS.map((place) => (
            <Way
              key={place}
              to={`/${place}`}
              px="12px"
              py="6px"
              fontWeight={550}
              color="soft"
              css={{ "&[aria-current=page]": { color: "ink", boxShadow: "inset 0 -3px 0 var(--chakra-colors-rail)" } }}
            >
              {t(`components.shell.${place}`)}
            </Way>
          ))}
        </Flex>
        <Looks />
        <Box fontSize="sm" color="soft" textAlign="right" lineHeight={1.25}>
          {session.account?.name}
          <br />
          {session.studios.length > 1 ? <StudioChoice session={session} /> : session.studio?.name}
        </Box>
        <SignOut />
      </Flex>
      <Box as="main" px="24px" pt="12px" pb="24px" maxW="1440px" mx="auto">
        {children}
      </Box>
      <KeyHelp />
    </Box>
  );
}

/** Of several studios, the one to work in. */
function StudioChoice({ session }: { session: Schemas["Session"] }) {
  const chooseStudio = useChooseStudio();
  return (
    <Select
      aria-label={t("components.shell.studio_to_work_in")}
      value={session.studio?.id}
      disabled={chooseStudio.isPending}
      onChange={(event) => chooseStudio.mutate(Number(event.target.value))}
    >
      {session.studios.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
}

function Looks() {
  const [worn, setWorn] = useState(looks());
  return (
    <Flex ml="auto" gap="4px">
      <Button
        kind="quiet"
        aria-pressed={worn.size === "piano"}
        aria-label={t("components.shell.large_type_for_reading_at_the")}
        title={t("components.shell.large_type_for_reading_at_the")}
        onClick={() => setWorn(choose({ size: worn.size === "piano" ? "desk" : "piano" }))}
      >
        <ALargeSmall size={20} />
      </Button>
      <Button
        kind="quiet"
        aria-pressed={worn.dark}
        aria-label={t("components.shell.dark")}
        title={worn.dark ? t("components.shell.light") : t("components.shell.dark")}
        onClick={() => setWorn(choose({ dark: !worn.dark }))}
      >
        {worn.dark ? <Sun size={18} /> : <Moon size={18} />}
      </Button>
    </Flex>
  );
}

function SignOut() {
  const out = useSignOut();
  return (
    <Button
      kind="quiet"
      aria-label={t("components.shell.sign_out")}
      title={t("components.shell.sign_out")}
      onClick={() => out.mutate(undefined)}
    >
      <LogOut size={18} />
    </Button>
  );
}
