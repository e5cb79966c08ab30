import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { Schemas } from "../../api/client";
import {
  type Role,
  useChangePerson,
  useChangeStudio,
  useInvite,
  usePeople,
  useRemovePerson,
  useWithdrawInvitation,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { dayAndMonth } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { useMay } from "../../components/Rights";
import { Select } from "../../components/Select";
import { Tick } from "../../components/Tick";
import { t } from "../../words";

type People = Schemas["People"];
type Person = People["people"][number];

const ROLES: Role[] = ["owner", "teacher", "assistant"];

/** Who belongs to the studio, and what they may do. */
export function People() {
  const people = usePeople();
  const runs = useMay()("run");
  return (
    <Paper as="section" aria-label={t("people.people")} p="14px 18px" flex="1 1 100%">
      <PartHead>{t("people.people")}</PartHead>
      <Notice trouble={people.error} again={() => people.refetch()} />
      <Box as="ul" listStyleType="none" mt="6px">
        {people.data?.people.map((one) => (
          <Line
            key={one.id}
            one={one}
            others={people.data.people.filter((other) => other.id !== one.id)}
            runs={runs}
          />
        ))}
      </Box>
      {runs && people.data && (
        <>
          <Invitations all={people.data.invitations} />
          <OwnStudents only={people.data.own_students_only} />
        </>
      )}
    </Paper>
  );
}

function Line({ one, others, runs }: { one: Person; others: Person[]; runs: boolean }) {
  const change = useChangePerson();
  const [leaving, setLeaving] = useState(false);
  return (
    <Box as="li" py="5px" borderBottom="1px solid" borderColor="line">
      <Flex gap="12px" align="center" wrap="wrap">
        <Text as="b" minW="170px">
          {one.name}
        </Text>
        <Text as="span" color="soft" flex="1 1 220px">
          {one.email} · {t("people.students", { count: one.students })}
        </Text>
        {runs && !one.you ? (
          <>
            <Select
              size="sm"
              aria-label={t("people.role_of", { name: one.name })}
              value={one.role}
              disabled={change.isPending}
              onChange={(event) => change.mutate({ id: one.id, role: event.target.value as Role })}
            >
              {ROLES.map((role) => (
                <option key={role} value={role}>
                  {t(`people.roles.${role}`)}
                </option>
              ))}
            </Select>
            <Button size="sm" aria-expanded={leaving} onClick={() => setLeaving(!leaving)}>
              {t("people.leaves")}
            </Button>
          </>
        ) : (
          <Text as="span" color="soft">
            {t(`people.roles.${one.role}`)}
            {one.you && ` · ${t("people.you")}`}
          </Text>
        )}
      </Flex>
      {leaving && <Leaving one={one} others={others} onDone={() => setLeaving(false)} />}
      <Notice trouble={change.error} />
    </Box>
  );
}

/** Who takes the students of someone who leaves. */
function Leaving({ one, others, onDone }: { one: Person; others: Person[]; onDone: () => void }) {
  const remove = useRemovePerson();
  const teachers = others.filter((other) => other.role !== "assistant");
  const [to, setTo] = useState(teachers[0]?.id);
  return (
    <Flex gap="10px" align="flex-end" wrap="wrap" mt="6px">
      {one.teaches && (
        <Choice
          label={t("people.hand_to", { count: one.students })}
          width="260px"
          value={to}
          onChange={(event) => setTo(Number(event.target.value))}
        >
          {teachers.map((other) => (
            <option key={other.id} value={other.id}>
              {other.name}
            </option>
          ))}
        </Choice>
      )}
      <Button
        disabled={remove.isPending}
        onClick={() =>
          remove.mutate({ id: one.id, to: one.teaches ? to : undefined }, { onSuccess: onDone })
        }
      >
        {t("people.end_it", { name: one.name })}
      </Button>
      <Button kind="quiet" onClick={onDone}>
        {t("students.student_form.not_now")}
      </Button>
      <Notice trouble={remove.error} />
    </Flex>
  );
}

function Invitations({ all }: { all: People["invitations"] }) {
  const invite = useInvite();
  const withdraw = useWithdrawInvitation();
  const { register, handleSubmit, reset } = useForm<{ role: Role; email: string }>({
    defaultValues: { role: "teacher", email: "" },
  });
  return (
    <Box mt="14px">
      <Text as="h3" fontWeight={700}>
        {t("people.invite_someone")}
      </Text>
      <Box asChild>
        <form
          onSubmit={handleSubmit(({ role, email }) =>
            invite.mutate(
              { role, ...(email.trim() ? { email } : {}) },
              { onSuccess: () => reset() },
            ),
          )}
        >
          <Flex gap="12px" align="flex-end" wrap="wrap" mt="6px">
            <Choice label={t("people.as_what")} width="160px" {...register("role")}>
              {ROLES.map((role) => (
                <option key={role} value={role}>
                  {t(`people.roles.${role}`)}
                </option>
              ))}
            </Choice>
            <Field.Root w="280px" maxW="100%">
              <Field.Label fontWeight={600}>{t("people.email")}</Field.Label>
              <Input type="email" maxLength={200} borderColor="line" {...register("email")} />
            </Field.Root>
            <Button type="submit" disabled={invite.isPending}>
              {t("people.make_a_link")}
            </Button>
          </Flex>
        </form>
      </Box>
      <Notice trouble={invite.error ?? withdraw.error} />
      <Box as="ul" listStyleType="none" mt="8px">
        {all.map((one) => (
          <Flex as="li" key={one.id} gap="10px" align="center" wrap="wrap" py="3px">
            <Input
              readOnly
              size="sm"
              flex="1 1 320px"
              borderColor="line"
              aria-label={t("people.link_for", { who: one.email ?? t(`people.roles.${one.role}`) })}
              value={one.link}
              onFocus={(event) => event.target.select()}
            />
            <Text as="span" color="soft">
              {[
                t(`people.roles.${one.role}`),
                one.email,
                t("people.until", { day: dayAndMonth(one.ends_on) }),
              ]
                .filter(Boolean)
                .join(" · ")}
            </Text>
            <Button size="sm" onClick={() => withdraw.mutate(one.id)}>
              {t("people.withdraw")}
            </Button>
          </Flex>
        ))}
      </Box>
    </Box>
  );
}

function OwnStudents({ only }: { only: boolean }) {
  const save = useChangeStudio();
  return (
    <Box mt="12px">
      <Tick
        checked={only}
        disabled={save.isPending}
        onChange={() => save.mutate({ own_students_only: !only })}
      >
        {t("people.own_students_only")}
      </Tick>
      <Notice trouble={save.error} />
    </Box>
  );
}
