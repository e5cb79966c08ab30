import { Input } from "@chakra-ui/react";
import { useState } from "react";
import { t } from "../words";
import { Button } from "./Button";

const whole = (path: string) => `${window.location.origin}${path}`;

/** The whole address of a private link, to be read and copied by hand. */
export function PrivateLink({ path, label }: { path: string; label: string }) {
  return (
    <Input
      aria-label={label}
      readOnly
      value={whole(path)}
      mt="6px"
      borderColor="line"
      fontSize="sm"
      onFocus={(event) => event.target.select()}
    />
  );
}

/** Copies it, and says so. */
export function CopyLink({ path }: { path: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <Button
      size="sm"
      onClick={() => navigator.clipboard?.writeText(whole(path)).then(() => setCopied(true))}
    >
      {copied ? t("components.private_link.copied") : t("components.private_link.copy")}
    </Button>
  );
}
