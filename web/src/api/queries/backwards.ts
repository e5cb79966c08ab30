import { api, ask, type Schemas } from "../client";
import { useLoad } from "./base";
import { useStudentSave } from "./students";

/** A plan backwards from a date, beside the usual one; looked for when somebody asks. */
export const useBackwards = (id: number, assignment: number) =>
  useLoad(["student", id, "backwards", assignment], () =>
    ask(
      api.GET("/api/students/{id}/pieces/{assignment}/backwards", {
        params: { path: { id, assignment } },
      }),
    ),
  );

export const usePlanBackwards = (id: number, assignment: number) =>
  useStudentSave((measures: Schemas["Measure"][]) =>
    ask(
      api.PUT("/api/students/{id}/pieces/{assignment}/backwards", {
        params: { path: { id, assignment } },
        body: { measures },
      }),
    ),
  );
