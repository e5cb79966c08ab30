import { Box, Grid, Heading, Input, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import guide from "../../../../docs/guide.md?raw";
import { NameLink } from "../../components/NameLink";
import { PageHead, Paper } from "../../components/Paper";
import { t } from "../../words";
import { found, partsOf } from "./parts";

const PARTS = partsOf(guide);

/** The guide: its parts beside it, and what is looked for in it. */
export default function GuidePage() {
  const { hash } = useLocation();
  const [words, setWords] = useState("");
  const parts = found(PARTS, words);
  useEffect(() => {
    if (hash) document.getElementById(hash.slice(1))?.scrollIntoView();
  }, [hash]);
  return (
    <>
      <PageHead title={t("guide.guide")} about={t("guide.about")}>
        <Input
          type="search"
          w="260px"
          bg="sheet"
          borderColor="line"
          aria-label={t("guide.search")}
          placeholder={t("guide.search")}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </PageHead>
      <Text role="status" color="soft" minH="1.4em">
        {words && t("guide.found", { count: parts.length })}
      </Text>
      <Grid templateColumns={{ base: "1fr", lg: "220px minmax(0, 780px)" }} gap="20px">
        <Box
          as="nav"
          aria-label={t("guide.parts")}
          position={{ lg: "sticky" }}
          top="12px"
          alignSelf="start"
        >
          {parts.map((part) => (
            <Box key={part.slug} pl={part.deep ? "14px" : 0} py="2px">
              <NameLink fontSize="md" to={`/guide#${part.slug}`}>
                {part.title}
              </NameLink>
            </Box>
          ))}
        </Box>
        <Box>
          {parts.map((part) => (
            <Paper
              key={part.slug}
              as="section"
              id={part.slug}
              aria-label={part.title}
              px="20px"
              py="14px"
              mb="12px"
            >
              <Heading as="h2" fontSize="xl" fontWeight={750} mb="6px">
                {part.title}
              </Heading>
              <Box
                css={PRINTED}
                // biome-ignore lint/security/noDangerouslySetInnerHtml: our own guide, from the build
                dangerouslySetInnerHTML={{ __html: part.html }}
              />
            </Paper>
          ))}
        </Box>
      </Grid>
    </>
  );
}

/** How what is written in the guide stands on the page. */
const PRINTED = {
  "& p, & ul, & ol, & table, & pre": { marginBottom: "10px" },
  "& ul, & ol": { paddingLeft: "22px" },
  "& ul": { listStyle: "disc" },
  "& ol": { listStyle: "decimal" },
  "& table": { display: "block", overflowX: "auto", borderCollapse: "collapse" },
  "& th, & td": {
    textAlign: "left",
    verticalAlign: "top",
    padding: "3px 12px 3px 0",
    borderBottom: "1px solid var(--chakra-colors-line)",
  },
  "& code, & pre": {
    fontFamily: "body",
    background: "var(--chakra-colors-shade)",
    borderRadius: "3px",
  },
  "& code": { padding: "0 4px" },
  "& pre": { padding: "8px 12px", overflowX: "auto" },
  // Its columns line up.
  "& pre code": { padding: 0, fontFamily: "monospace", fontSize: "sm" },
};
