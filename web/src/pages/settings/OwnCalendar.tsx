import { useOwnCalendar, useRenewOwnCalendar, useWithdrawOwnCalendar } from "../../api/queries";
import { CalendarLink } from "../../components/CalendarLink";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";

/** One's own lessons in the calendar of one's phone. */
export function OwnCalendar() {
  const calendar = useOwnCalendar();
  const renew = useRenewOwnCalendar();
  const withdraw = useWithdrawOwnCalendar();
  return (
    <Paper as="section" aria-label={t("lessons.calendar.own")} p="14px 18px" flex="1 1 380px">
      <PartHead>{t("lessons.calendar.own")}</PartHead>
      <CalendarLink
        path={calendar.data?.path ?? null}
        busy={renew.isPending || withdraw.isPending}
        trouble={calendar.error ?? renew.error ?? withdraw.error}
        onRenew={() => renew.mutate()}
        onWithdraw={() => withdraw.mutate()}
      />
    </Paper>
  );
}
