import { Box, Flex, Text } from "@chakra-ui/react";
import { newKey, type Schemas } from "../../api/client";
import { useChangeBeginnings, useIntroduce } from "../../api/queries";
import { t } from "../../words";
import { Button } from "../Button";
import { Notice } from "../Notice";
import { May } from "../Rights";

type Limit = Schemas["Week"]["limits"][number];

/** What keeps a week from holding more of what is needed, each with what lifts it. */
export function Limits({ limits, student }: { limits: Limit[]; student: number }) {
  const begin = useChangeBeginnings(student);
  const introduce = useIntroduce(student);
  if (limits.length === 0) return null;
  const lift = (one: Limit) => {
    if (one.begin_per_day) return begin.mutate(one.begin_per_day);
    if (one.assignment_id && one.what)
      introduce.mutate({
        assignment_id: one.assignment_id,
        what: one.what,
        introduced: true,
        key: newKey(),
      });
  };
  return (
    <Box fontSize="sm" mb="6px">
      {limits.map((one) => (
        <Flex
          key={`${one.kind} ${one.assignment_id}`}
          gap="8px"
          align="baseline"
          justify="space-between"
          py="1px"
        >
          <Text>{one.why}</Text>
          {one.kind !== "nothing" && (
            <May to="change">
              <Button
                size="xs"
                className="no-print"
                disabled={begin.isPending || introduce.isPending}
                onClick={() => lift(one)}
              >
                {one.kind === "begin"
                  ? t("components.week.limits.let_begin", { count: one.begin_per_day ?? 0 })
                  : t("components.week.limits.introduce", { what: one.what ?? "" })}
              </Button>
            </May>
          )}
        </Flex>
      ))}
      <Notice trouble={begin.error ?? introduce.error} />
    </Box>
  );
}
