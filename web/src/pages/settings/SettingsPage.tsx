import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { useChangeStudio, useSession, useStudioSettings } from "../../api/queries";
import { Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { PlanningRun } from "../../components/PlanningRun";
import { May } from "../../components/Rights";
import { SavingState } from "../../components/SavingState";
import { Stretches } from "../../components/Stretches";
import { useCalm } from "../../components/useCalm";
import { t } from "../../words";
import { Account } from "./Account";
import { Archive } from "./Archive";
import { History } from "./History";
import { HolidayFile } from "./HolidayFile";
import { Keeping } from "./Keeping";
import { OwnCalendar } from "./OwnCalendar";
import { People } from "./People";
import { TakeOut } from "./TakeOut";

type Settings = Schemas["StudioSettings"];

/** What holds for the whole studio. */
export default function SettingsPage() {
  const settings = useStudioSettings();
  if (settings.error && !settings.data)
    return <Lost trouble={settings.error} again={() => settings.refetch()} />;
  if (!settings.data) return <Waiting what={t("settings.settings_page.the_settings")} />;
  return (
    <>
      <PageHead
        title={t("settings.settings_page.settings")}
        about={t("settings.settings_page.what_holds_for_the_whole_studio")}
      />
      <Flex gap="16px" wrap="wrap" align="stretch">
        <May to="run">
          <Language locale={settings.data.locale} />
          <OwnCaution caution={settings.data.caution} />
          <Holidays holidays={settings.data.holidays} />
        </May>
        <People />
        <May to="run">
          <Keeping />
          <Archive />
          <TakeOut />
          <History />
        </May>
        <OwnCalendar />
        <Account />
      </Flex>
    </>
  );
}

/** What the studio speaks; the screens follow at once. */
function Language({ locale }: { locale: string }) {
  const save = useChangeStudio();
  const session = useSession();
  return (
    <Paper
      as="section"
      aria-label={t("settings.settings_page.language")}
      p="14px 18px"
      flex="1 1 320px"
    >
      <PartHead>{t("settings.settings_page.language")}</PartHead>
      <Text mt="4px">{t("settings.settings_page.on_screens_and_paper")}</Text>
      <Flex
        role="radiogroup"
        aria-label={t("settings.settings_page.language")}
        direction="column"
        gap="6px"
        mt="10px"
      >
        {session.data?.languages.map(({ tag, name }) => (
          <label key={tag} style={{ display: "flex", gap: 8, alignItems: "center" }}>
            <input
              type="radio"
              name="locale"
              checked={locale === tag}
              onChange={() => save.mutate({ locale: tag })}
              disabled={save.isPending}
            />
            {name}
          </label>
        ))}
      </Flex>
      <Notice trouble={save.error} />
    </Paper>
  );
}

function OwnCaution({ caution }: { caution: string | null }) {
  const save = useChangeStudio();
  const [text, setText] = useState(caution ?? "");
  const calm = useCalm(text);
  const changed = text.trim() !== (caution ?? "");
  const keep = () => save.mutate({ caution: text });
  const keepNew = () => {
    if (changed && !save.isPending && save.variables?.caution !== text) keep();
  };
  // What was typed while the save before was under way is sent after it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a pause in typing sends it, and no key
  useEffect(keepNew, [calm, save.isPending]);
  return (
    <Paper
      as="section"
      aria-label={t("settings.settings_page.a_caution_of_your_own")}
      p="14px 18px"
      flex="1 1 380px"
    >
      <PartHead>{t("settings.settings_page.a_caution_of_your_own")}</PartHead>
      <Text mt="4px">{t("settings.settings_page.stands_on_every_week_sheet_and")}</Text>
      <Textarea
        aria-label={t("settings.settings_page.a_caution_of_your_own")}
        mt="10px"
        rows={3}
        maxLength={600}
        borderColor="line"
        placeholder={t("settings.settings_page.for_example_shoes_off_at_the")}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={keepNew}
      />
      <Flex mt="6px" minH="22px">
        <SavingState
          saving={save.error ? "stopped" : changed ? "saving" : "saved"}
          again={keep}
          said={!changed && caution ? t("settings.settings_page.on_every_sheet") : undefined}
        />
      </Flex>
      <Notice trouble={save.error} />
    </Paper>
  );
}

/** Days without lessons and practice, for everyone. */
function Holidays({ holidays }: { holidays: Settings["holidays"] }) {
  const save = useChangeStudio();
  return (
    <Paper
      as="section"
      aria-label={t("settings.settings_page.holidays")}
      p="14px 18px"
      flex="1 1 100%"
    >
      <PartHead beside={<PlanningRun />}>{t("settings.settings_page.holidays")}</PartHead>
      <Text mt="4px">{t("settings.settings_page.days_without_lessons_and_practice")}</Text>
      <HolidayFile holidays={holidays} />
      <Box mt="-4px">
        <Stretches
          legend=""
          word={t("settings.settings_page.holiday")}
          all={holidays}
          onChange={(all) => save.mutate({ holidays: all })}
        />
      </Box>
      <Notice trouble={save.error} />
    </Paper>
  );
}
