import { lazy, type ReactNode, Suspense } from "react";
import { Route, Routes } from "react-router";
import { Waiting } from "../components/Notice";
import { t } from "../words";

// A family's phone loads the sheet and nothing of the teachers' pages.
const SheetPage = lazy(() => import("./sheet/SheetPage"));
const NewPasswordPage = lazy(() => import("./signin/NewPasswordPage"));
const AddressPage = lazy(() => import("./signin/AddressPage"));
const OpenPage = lazy(() => import("./signin/OpenPage"));
const JoinPage = lazy(() => import("./signin/JoinPage"));
const TeacherPages = lazy(() => import("./TeacherPages"));

/** Every page a person can go to. The week sheet stands apart: it has a private
 * link and no account. */
export function Pages() {
  return (
    <Suspense
      fallback={
        <Alone>
          <Waiting what={t("pages.stairwell")} />
        </Alone>
      }
    >
      <Routes>
        <Route path="/s/:token" element={<SheetPage />} />
        <Route path="/open" element={<OpenPage />} />
        <Route path="/join" element={<JoinPage />} />
        <Route path="/password" element={<NewPasswordPage />} />
        <Route path="/address" element={<AddressPage />} />
        <Route path="*" element={<TeacherPages />} />
      </Routes>
    </Suspense>
  );
}

export function Alone({ children }: { children: ReactNode }) {
  return <main style={{ padding: 24 }}>{children}</main>;
}
