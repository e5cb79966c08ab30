import { NativeSelect } from "@chakra-ui/react";
import { useStudents, type Whose } from "../../api/queries";

/** For whom one works: what is changed here lies over the studio's page. */
export function WhoseChoice({ value, onChoose }: { value: Whose; onChoose: (whose: Whose) => void }) {
  const students = useStudents();
  return (
    <NativeSelect.Root w="190px">
      <NativeSelect.Field
        aria-label="For whom"
        title="What is changed for your students or for one student lies over the studio's page"
        borderColor={value === "studio" ? "line" : "brass"}
        bg={value === "studio" ? undefined : "brassSoft"}
        h="36px"
        value={value}
        onChange={(event) => onChoose(event.target.value)}
      >
        <option value="studio">For the whole studio</option>
        <option value="teacher">For all my students</option>
        {students.data?.map((one) => (
          <option key={one.id} value={String(one.id)}>
            For {one.name} only
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
