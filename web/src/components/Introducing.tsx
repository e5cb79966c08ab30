import { chakra, Text } from "@chakra-ui/react";
import { useState } from "react";
import { newKey } from "../api/client";
import { useIntroduce, useIntroducing } from "../api/queries";
import type { paths } from "../api/schema";
import { t } from "../words";
import { Button } from "./Button";
import { dayAndMonth, minutes } from "./dates";
import { latest } from "./latest";
import { Notice, Waiting } from "./Notice";
import { useMay } from "./Rights";

const Table = chakra("table");

type Choice =
  paths["/api/students/{id}/introductions"]["get"]["responses"]["200"]["content"]["application/json"][number];
type Props = { student: number; named: boolean; today: string };

/** What introducing nothing, the next section, two or another would come to, before the
 * teacher decides. */
export function Introducing(props: Props) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)} style={{ marginBottom: 6 }}>
      <summary style={{ cursor: "pointer", fontWeight: 650 }}>
        {t("components.introducing.what_to_introduce_today")}
      </summary>
      {open && <Choices {...props} />}
    </details>
  );
}

function Choices({ student, named, today }: Props) {
  const choices = useIntroducing(student);
  const introduce = useIntroduce(student);
  const may = useMay();
  const show = async (one: Choice) => {
    const of = { assignment_id: one.assignment_id, introduced: true };
    try {
      for (const what of one.what) await introduce.mutateAsync({ ...of, what, key: newKey() });
    } catch {
      // Said below; what came before it is introduced.
    }
  };
  if (choices.isPending) return <Waiting what={t("components.introducing.what_each_comes_to")} />;
  if (!choices.data) return <Notice trouble={choices.error} />;
  if (choices.data.length === 0)
    return <Text fontSize="sm">{t("components.introducing.nothing_waits")}</Text>;
  return (
    <>
      <Table
        w="100%"
        fontSize="sm"
        mt="4px"
        aria-label={t("components.introducing.what_to_introduce_today")}
        css={{
          "& th": { textAlign: "left", paddingRight: "10px", verticalAlign: "top" },
          "& td": {
            padding: "3px 10px 3px 0",
            borderTop: "1px solid var(--chakra-colors-line)",
            verticalAlign: "top",
          },
        }}
      >
        <thead>
          <tr>
            {["introduced", "needed_a_day", "ready", "begins"].map((head) => (
              <th scope="col" key={head}>
                {t(`components.introducing.heads.${head}`)}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {choices.data.map((one) => (
            <tr key={`${one.assignment_id} ${one.what.join(" ")}`}>
              <th scope="row">
                {one.what.join(" + ") || t("components.introducing.nothing")}
                {named && (
                  <Text as="span" display="block" fontWeight={400} color="soft">
                    {one.piece}
                  </Text>
                )}
              </th>
              <td>
                {t("components.introducing.of", {
                  needed: minutes(one.minutes),
                  budget: minutes(one.budget),
                })}
              </td>
              <td>
                {one.likely
                  ? t("components.introducing.ready_and_latest", {
                      likely: dayAndMonth(one.likely, today),
                      cautious: latest(one.cautious, today),
                    })
                  : t("components.introducing.never")}
              </td>
              <td>{one.begins.join("; ") || "–"}</td>
              <td>
                {one.what.length > 0 && (
                  <Button
                    size="xs"
                    disabled={introduce.isPending || !may("change")}
                    onClick={() => show(one)}
                  >
                    {t("components.introducing.introduce")}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Notice trouble={introduce.error} />
    </>
  );
}
