import { useStudents, type Whose } from "../../api/queries";
import { Select } from "../../components/Select";
import { t } from "../../words";

/** For whom one works: what is changed here lies over the studio's page. */
export function WhoseChoice({
  value,
  onChoose,
}: {
  value: Whose;
  onChoose: (whose: Whose) => void;
}) {
  const students = useStudents();
  return (
    <Select
      w="190px"
      size="md"
      aria-label={t("piece.whose_choice.for_whom")}
      title={t("piece.whose_choice.what_is_changed_for_your_students")}
      borderColor={value === "studio" ? "line" : "brass"}
      bg={value === "studio" ? undefined : "brassSoft"}
      h="36px"
      value={value}
      onChange={(event) => onChoose(event.target.value)}
    >
      <option value="studio">{t("piece.whose_choice.for_the_whole_studio")}</option>
      <option value="teacher">{t("piece.whose_choice.for_all_my_students")}</option>
      {students.data?.map((one) => (
        <option key={one.id} value={String(one.id)}>
          {t("piece.whose_choice.for_only", { name: one.name })}
        </option>
      ))}
    </Select>
  );
}
