import { Select } from "./Select";
import type { Address } from "./useAddress";

type Props = {
  name: string;
  address: Address;
  label: string;
  /** What is said where nothing is picked. */
  none?: string;
  /** Values with their words, or words alone. */
  options: (string | readonly [string, string])[];
};

/** One choice of what a page shows. */
export function Pick({ name, address, label, none, options }: Props) {
  return (
    <Select
      size="sm"
      aria-label={label}
      value={address.of(name)}
      onChange={(event) => address.set(name, event.target.value)}
    >
      {none && <option value="">{none}</option>}
      {options
        .map((one) => (typeof one === "string" ? ([one, one] as const) : one))
        .map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
    </Select>
  );
}
