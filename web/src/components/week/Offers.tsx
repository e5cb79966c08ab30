import { Flex, Text } from "@chakra-ui/react";
import { newKey, type Schemas } from "../../api/client";
import { useIntroduce } from "../../api/queries";
import { t } from "../../words";
import { Button } from "../Button";
import { Notice } from "../Notice";
import { May } from "../Rights";

type Props = { offers: Schemas["Week"]["limits"]; student: number };

/** What a week still has room for, taken at one press. */
export function Offers({ offers, student }: Props) {
  const introduce = useIntroduce(student);
  return (
    <>
      <Notice trouble={introduce.error} />
      {offers.map(
        ({ why, what, assignment_id }) =>
          what &&
          assignment_id && (
            <Flex key={what} gap="10px" align="center" wrap="wrap" mt="6px">
              <Text fontSize="sm">{why}.</Text>
              <May to="change">
                <Button
                  size="sm"
                  className="no-print"
                  disabled={introduce.isPending}
                  onClick={() =>
                    introduce.mutate({ assignment_id, what, introduced: true, key: newKey() })
                  }
                >
                  {t("components.week.offers.introduce", { what })}
                </Button>
              </May>
            </Flex>
          ),
      )}
    </>
  );
}
