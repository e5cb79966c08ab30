import { Box, chakra, Flex, type FlexProps } from "@chakra-ui/react";
import { ALargeSmall, CircleQuestionMark, LogOut, Menu, Moon, Sun } from "lucide-react";
import { type ReactNode, useEffect, useState } from "react";
import { NavLink, useLocation } from "react-router";
import type { Schemas } from "../api/client";
import { useNews } from "../api/news";
import { useChooseStudio, useSignOut } from "../api/queries";
import { choose, looks } from "../theme/looks";
import { t } from "../words";
import { Button } from "./Button";
import { askHelp, KeyHelp } from "./KeyHelp";
import { Mark } from "./Mark";
import { Select } from "./Select";

const WAYS = [
  "today",
  "lessons",
  "studio",
  "students",
  "classes",
  "library",
  "routines",
  "outbox",
  "settings",
];

const Way = chakra(NavLink);

/** The frame of every place: where one is, where one can go, how it looks. */
export function Shell({ session, children }: { session: Schemas["Session"]; children: ReactNode }) {
  return (
    <Box minH="100vh">
      <Skip href="#content">{t("components.shell.skip_to_the_content")}</Skip>
      <Flex
        as="header"
        className="no-print"
        position="relative"
        align="center"
        minH="52px"
        px={{ base: "12px", md: "24px" }}
        gap={{ base: "8px", md: "20px" }}
        borderBottom="1px solid"
        borderColor="line"
      >
        <Mark short />
        <Ways />
        <Looks display={{ base: "none", md: "flex" }} />
        <Box
          display={{ base: "none", md: "block" }}
          fontSize="sm"
          color="soft"
          textAlign="right"
          lineHeight={1.25}
        >
          {session.account?.name}
          <br />
          {session.studios.length > 1 ? <StudioChoice session={session} /> : session.studio?.name}
        </Box>
        <Box ml={{ base: "auto", md: 0 }}>
          <SignOut />
        </Box>
      </Flex>
      <Box
        as="main"
        id="content"
        tabIndex={-1}
        px={{ base: "12px", md: "24px" }}
        pt="12px"
        pb="24px"
        maxW="1440px"
        mx="auto"
        _focusVisible={{ outline: "none" }}
      >
        {children}
      </Box>
      <KeyHelp />
      <Away />
    </Box>
  );
}

/** Said wherever one is, and gone when the server is back. */
function Away() {
  const there = useNews();
  return (
    <Box
      role="alert"
      position="fixed"
      bottom="0"
      left="0"
      right="0"
      zIndex={35}
      className="no-print"
    >
      {!there && (
        <Box
          mx="auto"
          mb="12px"
          w="fit-content"
          maxW="90vw"
          px="14px"
          py="8px"
          bg="brickSoft"
          color="ink"
          borderLeft="4px solid"
          borderColor="brick"
        >
          <b>{t("api.client.no_connection")}.</b> {t("components.shell.server_is_away")}
        </Box>
      )}
    </Box>
  );
}

// From which width on all places stand beside each other.
const WIDE = "@media (min-width: 1200px)";

/** Where one can go: side by side, or behind one press where the screen is narrow. */
function Ways() {
  const { pathname } = useLocation();
  const [open, setOpen] = useState(false);
  const here = WAYS.find((place) => pathname.startsWith(`/${place}`));
  // biome-ignore lint/correctness/useExhaustiveDependencies: it closes wherever one goes
  useEffect(() => setOpen(false), [pathname]);
  return (
    <>
      <Button
        kind="quiet"
        aria-expanded={open}
        aria-controls="ways"
        onClick={() => setOpen(!open)}
        onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
        css={{ [WIDE]: { display: "none" } }}
      >
        <Menu size={20} aria-hidden="true" />
        {here ? t(`components.shell.${here}`) : t("components.shell.pages")}
      </Button>
      <Flex
        as="nav"
        id="ways"
        aria-label={t("components.shell.pages")}
        gap="4px"
        display={open ? "flex" : "none"}
        onKeyDown={(event: React.KeyboardEvent) => event.key === "Escape" && setOpen(false)}
        css={{
          position: "absolute",
          top: "100%",
          left: "12px",
          minWidth: "240px",
          zIndex: 20,
          flexDirection: "column",
          padding: "8px 12px",
          background: "var(--chakra-colors-sheet)",
          border: "1px solid var(--chakra-colors-line)",
          borderRadius: "4px",
          [WIDE]: {
            display: "flex",
            position: "static",
            flexDirection: "row",
            padding: 0,
            background: "none",
            border: 0,
          },
        }}
      >
        {WAYS.map((place) => (
          <Way
            key={place}
            to={`/${place}`}
            px="10px"
            py="6px"
            fontWeight={550}
            color="soft"
            css={{
              "@media (pointer: coarse)": {
                minHeight: "44px",
                display: "flex",
                alignItems: "center",
              },
              "&[aria-current=page]": {
                color: "ink",
                boxShadow: "inset 0 -3px 0 var(--chakra-colors-rail)",
              },
            }}
          >
            {t(`components.shell.${place}`)}
          </Way>
        ))}
        <Looks display={{ base: "flex", md: "none" }} />
      </Flex>
    </>
  );
}

/** Seen only where it has the focus: past the places, to what one came for. */
const Skip = chakra("a", {
  base: {
    position: "absolute",
    left: "12px",
    top: "-60px",
    zIndex: 30,
    px: "12px",
    py: "8px",
    bg: "sheet",
    border: "1px solid",
    borderColor: "line",
    _focus: { top: "6px" },
  },
});

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

function Looks({ display }: Pick<FlexProps, "display">) {
  const [worn, setWorn] = useState(looks());
  return (
    <Flex ml={{ base: 0, md: "auto" }} gap="4px" display={display}>
      <Button
        kind="quiet"
        aria-label={t("components.key_help.help")}
        title={t("components.key_help.help")}
        onClick={askHelp}
      >
        <CircleQuestionMark size={18} />
      </Button>
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
