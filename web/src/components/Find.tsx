import { Input } from "@chakra-ui/react";
import { useState } from "react";
import type { Address } from "./useAddress";

/** A name, or a part of one. What is typed is held here: the address follows a
 * moment later, and no letter is lost to it. */
export function Find({ label, address }: { label: string; address: Address }) {
  const [typed, setTyped] = useState(address.of("find"));
  return (
    <Input
      type="search"
      size="xs"
      h="34px"
      w="150px"
      bg="sheet"
      aria-label={label}
      placeholder={label}
      borderColor="line"
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
        address.set("find", event.target.value);
      }}
    />
  );
}
