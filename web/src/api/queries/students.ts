import { type QueryKey, useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas, type Trouble } from "../client";
import type { paths } from "../schema";
import { aboutStudent, useLoad, useSave } from "./base";

// Students, what they were assigned, and their week.

type Student = Schemas["Student"];

export const useStudents = () => useLoad(["students"], () => ask(api.GET("/api/students")));

export const useStudent = (id: number) =>
  useLoad(["student", id], () => ask(api.GET("/api/students/{id}", { params: { path: { id } } })));

/** Saves something about a student; the answer is the student as it is then. */
export const useStudentSave = <In>(save: (value: In) => Promise<Student>, more: QueryKey[] = []) =>
  useSave<In, Student>(save, {
    into: (student) => ["student", student.id],
    touches: (student) => [...aboutStudent(student.id), ...more],
  });

export const useAddStudent = () =>
  useStudentSave((body: Schemas["NewStudent"]) => ask(api.POST("/api/students", { body })));

export const useChangeStudent = (id: number) =>
  useStudentSave((body: Schemas["NewStudent"] & { version: number }) =>
    ask(api.PUT("/api/students/{id}", { params: { path: { id } }, body })),
  );

export const useStudentLeaves = (id: number) =>
  useStudentSave(() =>
    ask(api.POST("/api/students/{id}/leave", { params: { path: { id } }, body: {} as never })),
  );

export const useStudentReturns = () =>
  useStudentSave((id: number) =>
    ask(api.POST("/api/students/{id}/return", { params: { path: { id } }, body: {} as never })),
  );

export const useStudentPauses = (id: number) =>
  useStudentSave((pauses: boolean) =>
    ask(
      pauses
        ? api.POST("/api/students/{id}/pause", { params: { path: { id } }, body: {} as never })
        : api.POST("/api/students/{id}/go-on", { params: { path: { id } }, body: {} as never }),
    ),
  );

export const useChangeFamily = (id: number) =>
  useStudentSave((other: number | null) =>
    ask(api.PUT("/api/students/{id}/family", { params: { path: { id } }, body: { with: other } })),
  );

export const useRenewCalendar = (id: number) =>
  useStudentSave(() =>
    ask(api.POST("/api/students/{id}/calendar", { params: { path: { id } }, body: {} as never })),
  );

export const useWithdrawCalendar = (id: number) =>
  useStudentSave(() =>
    ask(api.DELETE("/api/students/{id}/calendar", { params: { path: { id } } })),
  );

export type ListRead =
  paths["/api/students/read"]["post"]["responses"]["200"]["content"]["application/json"];

/** Reads a list as it is typed; nothing is saved. */
export const useReadStudents = (text: string) =>
  useQuery<ListRead, Trouble>({
    queryKey: ["student list", text],
    queryFn: () => ask(api.POST("/api/students/read", { body: { text } })),
    enabled: text.trim() !== "",
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

export const useAddStudents = () =>
  useSave(
    (students: (Schemas["NewStudent"] & { key: string })[]) =>
      ask(api.POST("/api/students/list", { body: { students } })),
    { into: () => ["students"], touches: () => [["studio"], ["today"], ["timetable"]] },
  );

export type AssignmentRequest = Schemas["AssignmentRequest"];

export const useAssignPiece = () =>
  useStudentSave(({ id, ...body }: AssignmentRequest & { id: number }) =>
    ask(api.POST("/api/students/{id}/pieces", { params: { path: { id } }, body })),
  );

export const usePlanAgain = (id: number) =>
  useStudentSave(() =>
    ask(api.POST("/api/students/{id}/week", { params: { path: { id } }, body: {} })),
  );

export type OverrideEdit =
  paths["/api/students/{id}/week/overrides"]["post"]["requestBody"]["content"]["application/json"];

export const useOverride = (id: number) =>
  useStudentSave((body: OverrideEdit) =>
    ask(api.POST("/api/students/{id}/week/overrides", { params: { path: { id } }, body })),
  );

export const useIntroduce = (id: number) =>
  useStudentSave(
    (body: { assignment_id: number; what: string; introduced: boolean; key: string }) =>
      ask(api.POST("/api/students/{id}/introductions", { params: { path: { id } }, body })),
  );

/** What introducing something at this lesson would come to; nothing is saved. */
export const useIntroducing = (id: number) =>
  useLoad(["student", id, "introducing"], () =>
    ask(api.GET("/api/students/{id}/introductions", { params: { path: { id } } })),
  );

export type Form =
  paths["/api/students/{id}/simplifications"]["post"]["requestBody"]["content"]["application/json"]["form"];

export const useSimplify = (id: number) =>
  useStudentSave(
    (body: { assignment_id: number; step_id: string; form: Form; bar?: number; key: string }) =>
      ask(api.POST("/api/students/{id}/simplifications", { params: { path: { id } }, body })),
  );

type PieceChange = {
  assignment: number;
  due_on?: string | null;
  priority?: number;
  introduce_first?: boolean;
  without?: string[];
};

export const useChangePiece = (id: number) =>
  useStudentSave(({ assignment, ...body }: PieceChange) =>
    ask(
      api.PUT("/api/students/{id}/pieces/{assignment}", {
        params: { path: { id, assignment } },
        body,
      }),
    ),
  );

export type NewExtraWork = Schemas["NewExtraWork"];

export const useAddExtraWork = (id: number) =>
  useStudentSave(
    (body: NewExtraWork) =>
      ask(api.POST("/api/students/{id}/extra-work", { params: { path: { id } }, body })),
    [GIVEN],
  );

const GIVEN: QueryKey = ["extra work"];

/** What was given to anyone in the studio. */
export const useExtraWorkGiven = () => useLoad([...GIVEN], () => ask(api.GET("/api/extra-work")));

export const useEndExtraWork = (id: number) =>
  useStudentSave((work: number) =>
    ask(api.DELETE("/api/students/{id}/extra-work/{work}", { params: { path: { id, work } } })),
  );

/** Whether pieces of the library would suit a student. */
export const useSuits = (id: number) =>
  useLoad(["student", id, "suits"], () =>
    ask(api.GET("/api/students/{id}/suits", { params: { path: { id } } })),
  );

/** What would make a late piece ready in time. */
export const useWaysOut = (id: number, assignment: number) =>
  useLoad(["student", id, "ways out", assignment], () =>
    ask(
      api.GET("/api/students/{id}/pieces/{assignment}/ways-out", {
        params: { path: { id, assignment } },
      }),
    ),
  );

export const useTakeOption = (id: number) =>
  useStudentSave((body: { change: string; assignment_id: number }) =>
    ask(api.POST("/api/students/{id}/options", { params: { path: { id } }, body })),
  );

/** What assigning a piece would come to; nothing is saved. */
export const useAssignmentPreview = (id: number | undefined, body: AssignmentRequest) =>
  useQuery({
    queryKey: ["assignment preview", id, body],
    queryFn: () =>
      ask(api.POST("/api/students/{id}/preview", { params: { path: { id: id ?? 0 } }, body })),
    enabled: !!id && body.target_tempo >= 20 && body.target_tempo <= 400,
    placeholderData: (before) => before,
    retry: false,
  });

export const useRenewLink = (id: number) =>
  useStudentSave(() =>
    ask(api.POST("/api/students/{id}/link", { params: { path: { id } }, body: {} })),
  );

export const useWithdrawLink = (id: number) =>
  useStudentSave(() => ask(api.DELETE("/api/students/{id}/link", { params: { path: { id } } })));

export const useRenewPiece = (id: number) =>
  useStudentSave(
    (assignment: number) =>
      ask(
        api.POST("/api/students/{id}/pieces/{assignment}/renew", {
          params: { path: { id, assignment } },
          body: {},
        }),
      ),
    [["learners"]],
  );

/** Takes back that a page was taken over. */
export const useTakeBackPage = (id: number) =>
  useStudentSave(
    (assignment: number) =>
      ask(
        api.DELETE("/api/students/{id}/pieces/{assignment}/renew", {
          params: { path: { id, assignment } },
        }),
      ),
    [["learners"]],
  );

type Ending = {
  assignment: number;
  ended: "passed" | "kept" | "set_aside" | null;
  keep_for?: string;
};

export const useEndPiece = (id: number) =>
  useStudentSave(({ assignment, ...body }: Ending) =>
    ask(
      api.POST("/api/students/{id}/pieces/{assignment}/end", {
        params: { path: { id, assignment } },
        body,
      }),
    ),
  );
