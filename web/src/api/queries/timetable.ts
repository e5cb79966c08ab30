import { api, ask, type Schemas } from "../client";
import type { paths } from "../schema";
import { aboutStudent, useLoad, useSave } from "./base";

// Single lessons, who stands in, and calendars.

export type LessonTime = Schemas["LessonTime"];
type Changes =
  paths["/api/students/{id}/lessons/{day}"]["put"]["requestBody"]["content"]["application/json"];
type NewLesson =
  paths["/api/students/{id}/lessons"]["post"]["requestBody"]["content"]["application/json"];
type NewCover = paths["/api/covers"]["post"]["requestBody"]["content"]["application/json"];

const TIMETABLE = ["timetable"];
const COVERS = ["covers"];
const WHILE_AWAY = ["while away"];

export const useTimetable = (from: string | undefined, teachers: "own" | "all") =>
  useLoad([...TIMETABLE, from ?? "", teachers], () =>
    ask(api.GET("/api/timetable", { params: { query: { from, teachers } } })),
  );

const moved = (id: number) => [...aboutStudent(id), TIMETABLE, ["class lesson"]];

export const useChangeLesson = (id: number) =>
  useSave(
    ({ on, ...body }: Changes & { on: string }) =>
      ask(api.PUT("/api/students/{id}/lessons/{day}", { params: { path: { id, day: on } }, body })),
    { touches: () => moved(id) },
  );

export type Attendance = "came" | "late" | "missed" | "excused" | null;

export const useAttend = (id: number) =>
  useSave(
    ({ on, ...body }: { on: string; version: number; attendance: Attendance }) =>
      ask(
        api.PUT("/api/students/{id}/lessons/{day}/attendance", {
          params: { path: { id, day: on } },
          body,
        }),
      ),
    { touches: () => moved(id) },
  );

export const useAddLesson = (id: number) =>
  useSave(
    (body: NewLesson) =>
      ask(api.POST("/api/students/{id}/lessons", { params: { path: { id } }, body })),
    {
      touches: () => moved(id),
    },
  );

export const useCovers = () => useLoad(COVERS, () => ask(api.GET("/api/covers")));

const useCoverSave = <In>(save: (value: In) => Promise<Schemas["Cover"][]>) =>
  useSave(save, { into: () => COVERS, touches: () => [TIMETABLE, ["today"], ["student"]] });

export const useAddCover = () =>
  useCoverSave((body: NewCover) => ask(api.POST("/api/covers", { body })));

export const useWithdrawCover = () =>
  useCoverSave((id: number) => ask(api.DELETE("/api/covers/{id}", { params: { path: { id } } })));

export const useWhileAway = () => useLoad(WHILE_AWAY, () => ask(api.GET("/api/while-away")));

export const useLookThrough = () =>
  useSave(
    ({ id, day }: { id: number; day: string }) =>
      ask(
        api.PUT("/api/students/{id}/lessons/{day}/looked-through", {
          params: { path: { id, day } },
          body: {} as never,
        }),
      ),
    { into: () => WHILE_AWAY, touches: () => [["today"]] },
  );

export const useStandIn = (id: number) =>
  useLoad(["stand in", id], () =>
    ask(api.GET("/api/students/{id}/stand-in", { params: { path: { id } } })),
  );

const CALENDAR = ["calendar"];

export const useOwnCalendar = () => useLoad(CALENDAR, () => ask(api.GET("/api/calendar")));

export const useRenewOwnCalendar = () =>
  useSave(() => ask(api.POST("/api/calendar", { body: {} as never })), { into: () => CALENDAR });

export const useWithdrawOwnCalendar = () =>
  useSave(() => ask(api.DELETE("/api/calendar")), { into: () => CALENDAR });

/** A result of a past lesson, as it should have been; what follows is the lesson's answer. */
export const useCorrect = (id: number) =>
  useSave(
    (body: {
      assignment_id: number;
      step_id: string;
      result: Schemas["Result"];
      key: string;
      day: string;
    }) => ask(api.POST("/api/students/{id}/results", { params: { path: { id } }, body })),
    { into: () => ["lesson", id], touches: () => aboutStudent(id) },
  );

export const useReopen = (id: number) =>
  useSave(
    () =>
      ask(
        api.POST("/api/students/{id}/lesson/reopen", {
          params: { path: { id } },
          body: {} as never,
        }),
      ),
    {
      into: () => ["lesson", id],
      touches: () => [["today"], ["student", id]],
    },
  );
