import { createContext, type ReactNode, useContext } from "react";
import type { Schemas } from "../api/client";
import { useSession } from "../api/queries";

type Right = Schemas["Right"];

const OfStudent = createContext<Right[] | null>(null);

/** What is within it is about one student. */
export function RightsOf({ may, children }: { may: Right[]; children: ReactNode }) {
  return <OfStudent.Provider value={may}>{children}</OfStudent.Provider>;
}

/** What whoever is signed in may do, as the server says: in the studio, or with the student
 * it is about. No button is shown that would be refused. */
export function useMay(): (right: Right) => boolean {
  const session = useSession();
  const student = useContext(OfStudent);
  const may = session.data?.studio?.may ?? [];
  return (right) =>
    (student && (right === "hear" || right === "change") ? student : may).includes(right);
}

/** Shows what is in it to who may. */
export function May({ to, children }: { to: Right; children: ReactNode }) {
  return useMay()(to) ? children : null;
}
