import { useAttend } from "../../api/queries";
import { Button } from "../../components/Button";
import { t } from "../../words";
import { isAway, type Member } from "./cells";

/** Whether a member of a class is absent; pressed again they are there after all. */
export function Absent({ member }: { member: Member }) {
  const attend = useAttend(member.id);
  const { lesson } = member;
  if (!lesson || !member.may.includes("hear")) return null;
  const away = isAway(member);
  return (
    <Button
      id={`absent-${member.id}`}
      size="xs"
      kind="toggle"
      tabIndex={-1}
      aria-pressed={away}
      aria-label={t("classes.lesson.is_absent", { name: member.name })}
      disabled={attend.isPending}
      onClick={() =>
        attend.mutate({
          on: lesson.day,
          version: lesson.version,
          attendance: away ? null : "missed",
        })
      }
    >
      {t("classes.lesson.absent")}
    </Button>
  );
}
