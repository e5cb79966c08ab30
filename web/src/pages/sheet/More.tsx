import { Heading, Text } from "@chakra-ui/react";
import { minutes } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { t } from "../../words";
import { Boxes } from "./Boxes";
import { Keys } from "./Keys";
import { Picture } from "./Picture";
import { Sounds } from "./Sounds";
import { InWords } from "./Step";
import { StepWalk } from "./StepWalk";
import { useStepSound } from "./useStepSound";
import type { Item } from "./useTicks";

/** What is more than needed, while there is time: known already, so its page stays folded. */
export function More({ item, token, onCount }: { item: Item; token: string; onCount: () => void }) {
  const sound = useStepSound(token, item);
  return (
    <Paper as="section" aria-label={`${item.title}, ${item.piece}`} p="14px" mb="10px">
      <Heading as="h2" fontSize="1.125rem" fontWeight={700} lineHeight={1.25}>
        {item.title}
      </Heading>
      <Text fontSize="md" color="soft">
        {item.piece} · {minutes(item.minutes)} · {t("sheet.step.while_there_is_time")}
      </Text>
      <Boxes item={item} onCount={onCount} />
      <details>
        <summary style={{ cursor: "pointer", minHeight: 44, paddingTop: 10 }}>{t("sheet.more.where_and_how")}</summary>
        <InWords item={item} />
        <Picture picture={item.picture} now={sound.visit?.bar} />
        <Keys starts={item.starts} />
        <Sounds item={item} sound={sound} />
        <StepWalk sound={sound} />
        <Notice trouble={sound.trouble} />
      </details>
    </Paper>
  );
}
