import { Field, Flex, Input, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { UseFormReturn } from "react-hook-form";
import type { Schemas } from "../../api/client";
import type { AssignmentRequest } from "../../api/queries";
import { Choice, FirstHand } from "../../components/Choice";
import { OrderOptions } from "../../components/SectionOrder";
import { t } from "../../words";

export type AssignForm = Required<
  Omit<AssignmentRequest, "piece_id" | "memory" | "introduce_first" | "priority">
> & {
  id: number | "";
  memory: string;
  introduce_first: string;
  priority: string;
};

type Props = {
  form: UseFormReturn<AssignForm>;
  routine: Schemas["Routine"] | undefined;
  startTarget: (by: string) => void;
  children: ReactNode;
};

/**
 * What else can be chosen of how a piece is learnt, each as it usually is until one says otherwise.
 */
export function AssignMore({ form: { register, watch }, routine, startTarget, children }: Props) {
  const target_by = watch("target_by");
  return (
    <details style={{ marginTop: 8 }}>
      <summary style={{ cursor: "pointer", fontWeight: 650, minHeight: 24 }}>
        {t("piece.assign_piece.more")}
      </summary>
      <Text my="6px">
        {routine?.for_whom}{" "}
        <Text as="span" color="soft">
          {routine?.why}
        </Text>
      </Text>
      <Flex gap="12px 16px" align="flex-end" wrap="wrap">
        <FirstHand width="130px" {...register("hand_order")} />
        <Choice label={t("piece.assign_piece.sections_join")} width="170px" {...register("join")}>
          <option value="pairs">{t("piece.assign_piece.in_pairs")}</option>
          <option value="from_start">{t("piece.assign_piece.from_the_start_on")}</option>
          <option value="from_end">{t("piece.assign_piece.from_the_end_back")}</option>
        </Choice>
        <Choice label={t("piece.assign_piece.pedal")} width="170px" {...register("pedal")}>
          <option value="last">{t("piece.assign_piece.last_of_all")}</option>
          <option value="before_dynamics">{t("piece.assign_piece.before_dynamics")}</option>
          <option value="none">{t("piece.assign_piece.none")}</option>
        </Choice>
        {(["articulation_by", "dynamics_by"] as const).map((field) => (
          <Choice
            key={field}
            label={t(`piece.assign_piece.${field}`)}
            width="170px"
            {...register(field)}
          >
            <option value="teacher">{t("piece.assign_piece.you")}</option>
            <option value="student">{t("piece.assign_piece.the_student")}</option>
          </Choice>
        ))}
        <Choice label={t("piece.assign_piece.by_heart")} width="100px" {...register("memory")}>
          <option value="no">{t("piece.assign_piece.no")}</option>
          <option value="yes">{t("piece.assign_piece.yes")}</option>
        </Choice>
        <Choice
          label={t("piece.assign_piece.target_tempo")}
          width="170px"
          {...register("target_by", { onChange: (event) => startTarget(event.target.value) })}
        >
          <option value="number">{t("piece.assign_piece.beats_per_minute")}</option>
          <option value="share">{t("piece.assign_piece.percent_of_the_mark")}</option>
          <option value="mark">{t("piece.assign_piece.the_printed_mark")}</option>
        </Choice>
        {target_by !== "mark" && (
          <Field.Root w={target_by === "share" ? "110px" : "170px"} required>
            <Field.Label fontWeight={600}>
              {target_by === "share"
                ? t("piece.assign_piece.percent")
                : t("piece.assign_piece.target_tempo_beats_per_minute")}
            </Field.Label>
            <Input
              type="number"
              min={20}
              max={400}
              borderColor="line"
              {...register("target_tempo", { required: true })}
            />
          </Field.Root>
        )}
        <Choice
          label={t("piece.assign_piece.repeats_after_a_jump")}
          width="160px"
          {...register("repeats")}
        >
          <option value="as_printed">{t("piece.assign_piece.as_the_page_says")}</option>
          <option value="not_taken">{t("piece.assign_piece.not_taken")}</option>
          <option value="taken">{t("piece.assign_piece.taken")}</option>
        </Choice>
        <Choice label={t("piece.assign_piece.fermatas")} width="150px" {...register("fermata")}>
          <option value="as_said">{t("piece.assign_piece.as_on_the_map")}</option>
          <option value="twice">{t("piece.assign_piece.twice_as_long")}</option>
          <option value="free">{t("piece.assign_piece.free")}</option>
        </Choice>
        <Choice
          label={t("piece.assign_piece.sections_open")}
          width="170px"
          {...register("introduce_first")}
        >
          <option value="">{t("piece.assign_piece.as_for_the_student")}</option>
          <option value="true">{t("piece.assign_piece.once_they_were_introduced")}</option>
          <option value="false">{t("piece.assign_piece.by_themselves")}</option>
        </Choice>
        <Choice
          label={t("piece.assign_piece.sections_begin")}
          width="200px"
          {...register("section_order")}
        >
          <OrderOptions />
        </Choice>
        <Choice
          label={t("piece.assign_piece.among_the_pieces")}
          width="160px"
          {...register("priority")}
        >
          <option value="0">{t("piece.assign_piece.in_its_turn")}</option>
          <option value="1">{t("piece.assign_piece.before_the_others")}</option>
          <option value="-1">{t("piece.assign_piece.when_there_is_room")}</option>
        </Choice>
      </Flex>
      {children}
    </details>
  );
}
