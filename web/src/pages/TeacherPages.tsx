import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { useSession } from "../api/queries";
import { Busy } from "../components/Busy";
import { NameLink } from "../components/NameLink";
import { Lost, Waiting } from "../components/Notice";
import { PageHead } from "../components/Paper";
import { Shell } from "../components/Shell";
import { t, useSpoken } from "../words";
import { Alone } from "./Pages";
import { NoStudio } from "./signin/NoStudio";
import { SignInPage } from "./signin/SignInPage";

// Each page is loaded when it is opened.
const TodayPage = lazy(() => import("./today/TodayPage"));
const ClassesPage = lazy(() => import("./classes/ClassesPage"));
const ClassPage = lazy(() => import("./classes/ClassPage"));
const ClassLessonPage = lazy(() => import("./classes/ClassLessonPage"));
const LessonsPage = lazy(() => import("./lessons/LessonsPage"));
const StandInPage = lazy(() => import("./lessons/StandInPage"));
const WhileAwayPage = lazy(() => import("./lessons/WhileAwayPage"));
const GuidePage = lazy(() => import("./guide/GuidePage"));
const OutboxPage = lazy(() => import("./outbox/OutboxPage"));
const StudioPage = lazy(() => import("./studio/StudioPage"));
const StudentsPage = lazy(() => import("./students/StudentsPage"));
const StudentPage = lazy(() => import("./students/StudentPage"));
const LessonPage = lazy(() => import("./lesson/LessonPage"));
const LibraryPage = lazy(() => import("./library/LibraryPage"));
const TypePage = lazy(() => import("./library/TypePage"));
const PiecePage = lazy(() => import("./piece/PiecePage"));
const RoutinesPage = lazy(() => import("./routines/RoutinesPage"));
const SettingsPage = lazy(() => import("./settings/SettingsPage"));

/** An address that leads nowhere says so, with the way back. */
function Nowhere() {
  return (
    <>
      <PageHead
        title={t("teacher_pages.there_is_nothing_here")}
        about={t("teacher_pages.the_address_is_not_one_of_ours")}
      />
      <NameLink to="/today">{t("teacher_pages.to_today")}</NameLink>
    </>
  );
}

/**
 * What a teacher sees: the door, then the pages in their frame; and above all that the server is at
 * work.
 */
export default function TeacherPages() {
  return (
    <>
      <Busy />
      <Door />
    </>
  );
}

function Door() {
  const session = useSession();
  const locale = session.data?.studio?.locale;
  const spoken = useSpoken(locale);
  if (session.error && !session.data)
    return (
      <Alone>
        <Lost trouble={session.error} again={() => session.refetch()} />
      </Alone>
    );
  if (!session.data || !spoken)
    return (
      <Alone>
        <Waiting what={t("teacher_pages.stairwell")} />
      </Alone>
    );
  if (session.data.empty) return <Navigate to="/open" replace />;
  if (!session.data.account) return <SignInPage />;
  if (!session.data.studio) return <NoStudio />;
  return (
    <Shell session={session.data}>
      <Suspense fallback={<Waiting what={t("teacher_pages.the_page")} />}>
        <Routes>
          <Route path="/today" element={<TodayPage />} />
          <Route path="/classes" element={<ClassesPage />} />
          <Route path="/classes/:id" element={<ClassPage />} />
          <Route path="/classes/:id/lesson" element={<ClassLessonPage />} />
          <Route path="/lessons" element={<LessonsPage />} />
          <Route path="/while-away" element={<WhileAwayPage />} />
          <Route path="/students/:id/stand-in" element={<StandInPage />} />
          <Route path="/outbox" element={<OutboxPage />} />
          <Route path="/guide" element={<GuidePage />} />
          <Route path="/studio" element={<StudioPage />} />
          <Route path="/students" element={<StudentsPage />} />
          <Route path="/students/:id" element={<StudentPage />} />
          <Route path="/students/:id/lesson" element={<LessonPage />} />
          <Route path="/library" element={<LibraryPage />} />
          <Route path="/library/type" element={<TypePage />} />
          <Route path="/library/:id" element={<PiecePage />} />
          <Route path="/routines" element={<RoutinesPage />} />
          <Route path="/settings" element={<SettingsPage />} />
          <Route path="/" element={<Navigate to="/today" replace />} />
          <Route path="*" element={<Nowhere />} />
        </Routes>
      </Suspense>
    </Shell>
  );
}
