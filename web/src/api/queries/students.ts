import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../client";
import type { paths } from "../schema";
import { useLoad, useSave } from "./base";

// Students, what they were given, and their week.

export const useStudents = () => useLoad(["students"], () => ask(api.GET("/api/students")));

export const useStudent = (id: number) =>
  useLoad(["student", id], () => ask(api.GET("/api/students/{id}", { params: { path: { id } } })));

export const useAddStudent = () =>
  useSave(
    (body: Schemas["NewStudent"]) => ask(api.POST("/api/students", { body })),
    (student) => ["student", student.id],
  );

export const useChangeStudent = (id: number) =>
  useSave(
    (body: Schemas["NewStudent"] & { version: number }) =>
      ask(api.PUT("/api/students/{id}", { params: { path: { id } }, body })),
    () => ["student", id],
  );

export type Gift = Schemas["Gift"];

export const useGivePiece = () =>
  useSave(
    ({ id, ...body }: Gift & { id: number }) =>
      ask(api.POST("/api/students/{id}/pieces", { params: { path: { id } }, body })),
    (student) => ["student", student.id],
  );

export const usePlanAgain = (id: number) =>
  useSave(
    () => ask(api.POST("/api/students/{id}/week", { params: { path: { id } }, body: {} })),
    () => ["student", id],
  );

export const useStroke = (id: number) =>
  useSave(
    (body: paths["/api/students/{id}/week/overrides"]["post"]["requestBody"]["content"]["application/json"]) =>
      ask(api.POST("/api/students/{id}/week/overrides", { params: { path: { id } }, body })),
    () => ["student", id],
  );

export const useTeach = (id: number) =>
  useSave(
    (body: { assignment_id: number; what: string; introduced: boolean; key: string }) =>
      ask(api.POST("/api/students/{id}/introductions", { params: { path: { id } }, body })),
    () => ["student", id],
  );

export type Form = paths["/api/students/{id}/simplifications"]["post"]["requestBody"]["content"]["application/json"]["form"];

export const useMakeSmaller = (id: number) =>
  useSave(
    (body: { assignment_id: number; step_id: string; form: Form; bar?: number; key: string }) =>
      ask(api.POST("/api/students/{id}/simplifications", { params: { path: { id } }, body })),
    () => ["student", id],
  );

export const useChangePiece = (id: number) =>
  useSave(
    ({
      assignment,
      ...body
    }: {
      assignment: number;
      due_on?: string | null;
      priority?: number;
      introduce_first?: boolean;
      without?: string[];
    }) => ask(api.PUT("/api/students/{id}/pieces/{assignment}", { params: { path: { id, assignment } }, body })),
    () => ["student", id],
  );

export type NewWork = Schemas["NewWork"];

export const useAddWork = (id: number) =>
  useSave(
    (body: NewWork) => ask(api.POST("/api/students/{id}/work", { params: { path: { id } }, body })),
    () => ["student", id],
  );

export const useEndWork = (id: number) =>
  useSave(
    (work: number) => ask(api.DELETE("/api/students/{id}/work/{work}", { params: { path: { id, work } } })),
    () => ["student", id],
  );

export const useTakeOption = (id: number) =>
  useSave(
    (body: { change: string; assignment_id: number }) =>
      ask(api.POST("/api/students/{id}/options", { params: { path: { id } }, body })),
    () => ["student", id],
  );

/** What giving a piece would come to; nothing is saved. */
export const useTrial = (id: number | undefined, body: Gift) =>
  useQuery({
    queryKey: ["trial", id, body],
    queryFn: () => ask(api.POST("/api/students/{id}/trial", { params: { path: { id: id ?? 0 } }, body })),
    enabled: !!id && body.target_tempo >= 20 && body.target_tempo <= 400,
    placeholderData: (before) => before,
    retry: false,
  });

export const useRenewLink = (id: number) =>
  useSave(
    () => ask(api.POST("/api/students/{id}/link", { params: { path: { id } }, body: {} })),
    () => ["student", id],
  );

export const useWithdrawLink = (id: number) =>
  useSave(
    () => ask(api.DELETE("/api/students/{id}/link", { params: { path: { id } } })),
    () => ["student", id],
  );

export const useRenewPiece = (id: number) =>
  useSave(
    (assignment: number) =>
      ask(api.POST("/api/students/{id}/pieces/{assignment}/renew", { params: { path: { id, assignment } }, body: {} })),
    () => ["student", id],
  );

export const useEndPiece = (id: number) =>
  useSave(
    ({
      assignment,
      ...body
    }: {
      assignment: number;
      ended: "passed" | "kept" | "set_aside" | null;
      keep_for?: string;
    }) => ask(api.POST("/api/students/{id}/pieces/{assignment}/end", { params: { path: { id, assignment } }, body })),
    () => ["student", id],
  );
