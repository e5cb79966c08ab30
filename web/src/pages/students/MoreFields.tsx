import { Field, Input } from "@chakra-ui/react";
import type { UseFormRegister } from "react-hook-form";
import { useSession, useStudents } from "../../api/queries";
import { Choice, FirstHand, TeacherChoice } from "../../components/Choice";
import { Labelled } from "../../components/Labelled";
import { t } from "../../words";
import type { Typed } from "./StudentForm";

/** Intervals a hand reaches, in semitones. */
const SPANS = [5, 7, 9, 11, 12, 14, 16];

/** What is good to know of a student, and can wait. */
export function MoreFields({
  register,
  fresh,
}: {
  register: UseFormRegister<Typed>;
  fresh: boolean;
}) {
  const session = useSession();
  const students = useStudents();
  return (
    <>
      <Labelled
        label={t("students.student_form.rows_of_a_week")}
        width="150px"
        placeholder={t("students.student_form.as_is_usual")}
        type="number"
        min={1}
        max={12}
        {...register("rows_a_week")}
      />
      <Field.Root w="170px">
        <Field.Label fontWeight={600}>{t("students.student_form.class")}</Field.Label>
        <Input
          maxLength={60}
          list="classes"
          placeholder={t("students.student_form.none")}
          borderColor="line"
          {...register("class_name")}
        />
        <datalist id="classes">
          {[...new Set((students.data ?? []).flatMap((one) => one.class_name ?? []))].map(
            (name) => (
              <option key={name} value={name} />
            ),
          )}
        </datalist>
      </Field.Root>
      <TeacherChoice
        label={t("students.student_form.teacher")}
        none={fresh ? t("students.student_form.you") : undefined}
        {...register("teacher_id")}
      />
      <FirstHand width="120px" {...register("hand_order")} />
      <Choice
        label={t("students.student_form.a_hand_reaches")}
        width="150px"
        {...register("hand_span")}
      >
        <option value="">{t("students.student_form.not_measured")}</option>
        {SPANS.map((semitones) => (
          <option key={semitones} value={semitones}>
            {t(`students.student_form.spans.${semitones}`)}
          </option>
        ))}
      </Choice>
      <Choice label={t("students.student_form.warm_ups")} width="170px" {...register("warm_ups")}>
        <option value="none">{t("students.student_form.none")}</option>
        <option value="five_finger">{t("students.student_form.five_fingers")}</option>
        <option value="scale">{t("students.student_form.scale")}</option>
        <option value="scale_and_chords">{t("students.student_form.scale_and_chords")}</option>
        <option value="progression">{t("students.student_form.chords_through_keys")}</option>
      </Choice>
      <Choice
        label={t("students.student_form.notes_are_called")}
        width="130px"
        {...register("note_names")}
      >
        <option value="letters">C D E</option>
        <option value="fixed_do">{t("students.student_form.do_re_mi")}</option>
      </Choice>
      <Choice label={t("students.student_form.one_counts")} width="190px" {...register("counting")}>
        {(["bar", "length", "syllables"] as const).map((system) => (
          <option key={system} value={system}>
            {t(`students.student_form.counting.${system}`)}
          </option>
        ))}
      </Choice>
      <Choice
        label={t("students.student_form.sections_open")}
        width="270px"
        {...register("introduce_first")}
      >
        <option value="">{t("students.student_form.introduced_first_for_a_child")}</option>
        <option value="true">{t("students.student_form.once_they_were_introduced")}</option>
        <option value="false">{t("students.student_form.by_themselves")}</option>
      </Choice>
      <Labelled
        label={t("students.student_form.email_for_recaps")}
        width="230px"
        type="email"
        maxLength={200}
        {...register("email")}
      />
      <Choice label={t("students.student_form.the_sheet")} width="180px" {...register("reads")}>
        <option value="true">{t("students.student_form.in_words")}</option>
        <option value="false">{t("students.student_form.with_pictures")}</option>
      </Choice>
      <Choice label={t("students.student_form.language")} width="250px" {...register("locale")}>
        <option value="">{t("students.student_form.as_the_studio")}</option>
        {session.data?.languages.map(({ tag, name }) => (
          <option key={tag} value={tag}>
            {name}
          </option>
        ))}
      </Choice>
      <Labelled
        label={t("students.student_form.instrument")}
        width="170px"
        maxLength={120}
        {...register("instrument")}
      />
      <Labelled
        label={t("students.student_form.knows_already")}
        width="300px"
        placeholder={t("students.student_form.with_commas_between")}
        {...register("knows")}
      />
      <Choice
        label={t("students.student_form.pedal_at_home")}
        width="130px"
        {...register("has_pedal")}
      >
        <option value="true">{t("students.student_form.yes")}</option>
        <option value="false">{t("students.student_form.no")}</option>
      </Choice>
    </>
  );
}
