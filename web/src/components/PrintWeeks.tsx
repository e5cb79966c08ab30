import { chakra, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { t } from "../words";
import { Button } from "./Button";

// Pages the server makes at once.
const MOST = 200;

type PrintWeeksProps = { students: number[]; children: string };

/** The newest week of some students on paper, a page each; with what was ticked,
 * or with empty boxes. */
export function PrintWeeks({ students, children }: PrintWeeksProps) {
  const [empty, setEmpty] = useState(false);
  const open = () =>
    window.open(
      `/api/weeks.pdf?students=${students.join(",")}&boxes=${empty ? "empty" : "done"}`,
      "_blank",
    );
  const many = students.length > MOST;
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      <chakra.label display="flex" gap="4px" alignItems="center" fontSize="sm" color="soft">
        <input
          type="checkbox"
          checked={empty}
          onChange={(event) => setEmpty(event.target.checked)}
        />
        {t("components.print_weeks.boxes_empty")}
      </chakra.label>
      <Button
        onClick={open}
        disabled={students.length === 0 || many}
        title={
          many ? t("components.print_weeks.at_most_at_once_choose_a", { count: MOST }) : undefined
        }
      >
        {children}
      </Button>
    </Flex>
  );
}
