import { t } from "../words";

export const ORDERS = ["piece", "hardest", "soonest", "introduced"] as const;

export type OrderWord = (typeof ORDERS)[number];

/** In which order the sections of a piece are begun, in words. */
export function OrderOptions() {
  return ORDERS.map((one) => (
    <option key={one} value={one}>
      {t(`components.section_order.${one}`)}
    </option>
  ));
}
