import { Flex, Text } from "@chakra-ui/react";
import { newKey } from "../api/client";
import { useIntroduce } from "../api/queries";
import { t } from "../words";
import { Button } from "./Button";
import { Notice } from "./Notice";
import { useMay } from "./Rights";

type One = { assignment_id: number; piece: string; what: string; introduced: boolean };

/** What opens when it is shown at the lesson: one press opens it, another takes
 * that back. */
export function Introductions({
  student,
  all,
  named,
}: {
  student: number;
  all: One[];
  named: boolean;
}) {
  const introduce = useIntroduce(student);
  const may = useMay();
  if (all.length === 0) return null;
  const pieces = [...new Set(all.map((one) => one.assignment_id))];
  return (
    <>
      {pieces.map((id) => {
        const own = all.filter((one) => one.assignment_id === id);
        return (
          <Flex
            key={id}
            gap="5px"
            mb="5px"
            align="center"
            wrap="wrap"
            role="group"
            aria-label={t("components.introductions.introduced_in", { piece: own[0]?.piece })}
          >
            <Text fontWeight={650}>
              {named
                ? t("components.introductions.introduced_in", { piece: own[0]?.piece })
                : t("components.introductions.introduced")}
            </Text>
            {own.map((one) => (
              <Button
                key={one.what}
                kind="toggle"
                size="xs"
                aria-pressed={one.introduced}
                disabled={introduce.isPending || !may("change")}
                title={
                  one.introduced
                    ? t("components.introductions.shown_already_press_to_take_that")
                    : t("components.introductions.show_it_today_its_steps_open")
                }
                onClick={() =>
                  introduce.mutate({
                    assignment_id: id,
                    what: one.what,
                    introduced: !one.introduced,
                    key: newKey(),
                  })
                }
              >
                {one.what}
              </Button>
            ))}
          </Flex>
        );
      })}
      <Notice trouble={introduce.error} />
    </>
  );
}
