import { Box, Flex, Text } from "@chakra-ui/react";
import { type UseFormReturn, useFieldArray } from "react-hook-form";
import { useSession } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice, TeacherChoice } from "../../components/Choice";
import { FROM_MONDAY, weekdayName } from "../../components/dates";
import { Labelled } from "../../components/Labelled";
import { t } from "../../words";
import type { Typed } from "./StudentForm";

/** How long a lesson is, further lessons every week, and who gets the recap too. */
export function LessonFields({ form }: { form: UseFormReturn<Typed> }) {
  const { register, control } = form;
  const more = useFieldArray({ control, name: "more_lessons" });
  const contacts = useFieldArray({ control, name: "contacts" });
  const session = useSession();
  return (
    <>
      <Box as="fieldset" mt="12px" border={0} p={0}>
        <Text as="legend" fontWeight={600} mb="4px">
          {t("students.student_form.lessons")}
        </Text>
        <Flex gap="12px" wrap="wrap" align="flex-end">
          <Labelled
            label={t("students.student_form.lesson_minutes")}
            width="150px"
            required
            type="number"
            min={5}
            max={240}
            {...register("lesson_minutes")}
          />
          <Button
            type="button"
            size="sm"
            disabled={more.fields.length >= 6}
            onClick={() =>
              more.append({ weekday: 4, time: "16:00", minutes: 30, teacher_id: null })
            }
          >
            {t("students.student_form.one_more_lesson")}
          </Button>
        </Flex>
        {more.fields.map((field, at) => (
          <Flex
            key={field.id}
            gap="12px"
            wrap="wrap"
            align="flex-end"
            mt="8px"
            role="group"
            aria-label={t("students.student_form.further_lesson", { count: at + 2 })}
          >
            <Choice
              label={t("students.student_form.lesson_day")}
              {...register(`more_lessons.${at}.weekday`)}
            >
              {FROM_MONDAY.map((day) => (
                <option key={day} value={day}>
                  {weekdayName(day)}
                </option>
              ))}
            </Choice>
            <Labelled
              label={t("students.student_form.lesson_time")}
              width="120px"
              required
              type="time"
              {...register(`more_lessons.${at}.time`)}
            />
            <Labelled
              label={t("students.student_form.lesson_minutes")}
              width="120px"
              required
              type="number"
              min={5}
              max={240}
              {...register(`more_lessons.${at}.minutes`)}
            />
            <TeacherChoice
              label={t("lessons.held_by")}
              none={t("lessons.their_own_teacher")}
              {...register(`more_lessons.${at}.teacher_id`)}
            />
            <Button type="button" size="sm" onClick={() => more.remove(at)}>
              {t("students.student_form.take_out")}
            </Button>
          </Flex>
        ))}
      </Box>
      <Box as="fieldset" mt="12px" border={0} p={0}>
        <Text as="legend" fontWeight={600} mb="4px">
          {t("students.student_form.contacts")}
        </Text>
        {contacts.fields.map((field, at) => (
          <Flex
            key={field.id}
            gap="12px"
            wrap="wrap"
            align="flex-end"
            mb="8px"
            role="group"
            aria-label={t("students.student_form.contact", { count: at + 1 })}
          >
            <Labelled
              label={t("students.student_form.contact_name")}
              width="190px"
              required
              maxLength={60}
              {...register(`contacts.${at}.name`)}
            />
            <Labelled
              label={t("students.student_form.contact_email")}
              width="240px"
              required
              type="email"
              maxLength={200}
              {...register(`contacts.${at}.email`)}
            />
            <Choice
              label={t("students.student_form.contact_language")}
              width="250px"
              {...register(`contacts.${at}.locale`)}
            >
              <option value="">{t("students.student_form.as_the_student")}</option>
              {session.data?.languages.map(({ tag, name }) => (
                <option key={tag} value={tag}>
                  {name}
                </option>
              ))}
            </Choice>
            <Button type="button" size="sm" onClick={() => contacts.remove(at)}>
              {t("students.student_form.take_out")}
            </Button>
          </Flex>
        ))}
        <Button
          type="button"
          size="sm"
          disabled={contacts.fields.length >= 6}
          onClick={() => contacts.append({ name: "", email: "", locale: null })}
        >
          {t("students.student_form.add_contact")}
        </Button>
      </Box>
    </>
  );
}
