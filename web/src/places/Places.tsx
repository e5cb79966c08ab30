import type { ReactNode } from "react";
import { Navigate, Route, Routes } from "react-router";
import { useSession } from "../api/queries";
import { Lost, Waiting } from "../parts/Notice";
import { Shell } from "../parts/Shell";
import { LessonPlace } from "./lesson/LessonPlace";
import { LibraryPlace } from "./library/LibraryPlace";
import { TypePlace } from "./library/TypePlace";
import { OutboxPlace } from "./outbox/OutboxPlace";
import { PiecePlace } from "./piece/PiecePlace";
import { RoutinesPlace } from "./routines/RoutinesPlace";
import { SettingsPlace } from "./settings/SettingsPlace";
import { SheetPlace } from "./sheet/SheetPlace";
import { SignInPlace } from "./signin/SignInPlace";
import { StudentPlace } from "./students/StudentPlace";
import { StudentsPlace } from "./students/StudentsPlace";
import { StudioPlace } from "./studio/StudioPlace";
import { TodayPlace } from "./today/TodayPlace";

/** Every place a person can go. The week sheet stands apart: it has a private
 * link and no account. */
export function Places() {
  return (
    <Routes>
      <Route path="/s/:token" element={<SheetPlace />} />
      <Route path="*" element={<SignedIn />} />
    </Routes>
  );
}

function SignedIn() {
  const session = useSession();
  if (session.error)
    return (
      <Alone>
        <Lost trouble={session.error} again={() => session.refetch()} />
      </Alone>
    );
  if (!session.data)
    return (
      <Alone>
        <Waiting what="Stairwell" />
      </Alone>
    );
  if (!session.data.account || !session.data.studio) return <SignInPlace />;
  return (
    <Shell name={session.data.account.name} studio={session.data.studio.name}>
      <Routes>
        <Route path="/today" element={<TodayPlace />} />
        <Route path="/outbox" element={<OutboxPlace />} />
        <Route path="/studio" element={<StudioPlace />} />
        <Route path="/students" element={<StudentsPlace />} />
        <Route path="/students/:id" element={<StudentPlace />} />
        <Route path="/students/:id/lesson" element={<LessonPlace />} />
        <Route path="/library" element={<LibraryPlace />} />
        <Route path="/library/type" element={<TypePlace />} />
        <Route path="/library/:id" element={<PiecePlace />} />
        <Route path="/routines" element={<RoutinesPlace />} />
        <Route path="/settings" element={<SettingsPlace />} />
        <Route path="*" element={<Navigate to="/today" replace />} />
      </Routes>
    </Shell>
  );
}

function Alone({ children }: { children: ReactNode }) {
  return <main style={{ padding: 24 }}>{children}</main>;
}
