import { Flex, Link, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { dayAndMonth } from "../../components/dates";
import { t } from "../../words";

type Student = Schemas["Student"];

/** What a long page is about, which stays while it goes by: whom, the next lesson, and each piece
 * with how far it is; a press leads there. */
export function InSight({ student }: { student: Student }) {
  const next = student.coming.find((one) => !one.left_out);
  return (
    <Flex
      as="nav"
      aria-label={t("students.in_sight.on_this_page")}
      className="no-print"
      position="sticky"
      top="0"
      zIndex={12}
      bg="ground"
      gap="4px 20px"
      py="6px"
      mb="6px"
      align="baseline"
      overflowX="auto"
      whiteSpace="nowrap"
      css={{ "& a": { minHeight: "24px", "@media (pointer: coarse)": { minHeight: "44px" } } }}
    >
      <Text as="span" fontWeight={700}>
        {student.name}
      </Text>
      {student.week && <Link href="#week">{t("students.in_sight.the_week")}</Link>}
      {student.pieces.map((piece) => (
        <Link
          key={piece.id}
          href={`#piece-${piece.id}`}
          color={piece.outlook.late ? "brick" : undefined}
        >
          {t("students.in_sight.piece", { title: piece.title, percent: piece.percent })}
          {piece.outlook.likely && (
            <Text as="span" color={piece.outlook.late ? "brick" : "soft"}>
              {t("students.in_sight.likely", { day: dayAndMonth(piece.outlook.likely) })}
            </Text>
          )}
        </Link>
      ))}
      {next && (
        <Link href="#lessons">
          {t("students.in_sight.next_lesson", { day: dayAndMonth(next.day) })}
        </Link>
      )}
    </Flex>
  );
}
