import { useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../client";
import type { paths } from "../schema";
import { useLoad, useSave } from "./base";

// Classes, their units and their lessons.

const CLASSES = ["classes"];
const oneClass = (id: number) => ["class", id];
const classLesson = (id: number) => ["class lesson", id];
// What a class has, its members have.
const everyone = () => [
  CLASSES,
  ["students"],
  ["student"],
  ["today"],
  ["studio"],
  ["timetable"],
  ["lesson"],
];

export const useClasses = () => useLoad(CLASSES, () => ask(api.GET("/api/classes")));

export const useClass = (id: number) =>
  useLoad(oneClass(id), () => ask(api.GET("/api/classes/{id}", { params: { path: { id } } })));

const useClassSave = <In>(save: (value: In) => Promise<Schemas["Class"]>) =>
  useSave(save, {
    into: (one) => oneClass(one.id),
    touches: (one) => [...everyone(), classLesson(one.id)],
  });

type NewClass = paths["/api/classes"]["post"]["requestBody"]["content"]["application/json"];
type ClassChanges = paths["/api/classes/{id}"]["put"]["requestBody"]["content"]["application/json"];
export type NewUnit =
  paths["/api/classes/{id}/units"]["post"]["requestBody"]["content"]["application/json"];

export const useAddClass = () =>
  useClassSave((body: NewClass) => ask(api.POST("/api/classes", { body })));

export const useChangeClass = (id: number) =>
  useClassSave((body: ClassChanges) =>
    ask(api.PUT("/api/classes/{id}", { params: { path: { id } }, body })),
  );

export const useEndClass = () =>
  useSave((id: number) => ask(api.DELETE("/api/classes/{id}", { params: { path: { id } } })), {
    into: () => CLASSES,
    touches: everyone,
  });

export const useAddUnit = (id: number) =>
  useClassSave((body: NewUnit) =>
    ask(api.POST("/api/classes/{id}/units", { params: { path: { id } }, body })),
  );

export const useEndUnit = (id: number) =>
  useClassSave(({ unit, ended }: { unit: number; ended: boolean }) =>
    ask(
      api.PUT("/api/classes/{id}/units/{unit}", {
        params: { path: { id, unit } },
        body: { ended },
      }),
    ),
  );

export const useChoosePiece = (id: number) =>
  useClassSave(({ unit, ...body }: { unit: number; student_id: number; piece_id: number }) =>
    ask(api.PUT("/api/classes/{id}/units/{unit}/choice", { params: { path: { id, unit } }, body })),
  );

export const useClassLesson = (id: number) =>
  useLoad(classLesson(id), () =>
    ask(api.GET("/api/classes/{id}/lesson", { params: { path: { id } } })),
  );

type Lesson = Schemas["ClassLesson"];
type Member = Lesson["members"][number];

/** Puts what one cell answered into the lesson that is shown. */
function useCell(id: number) {
  const cache = useQueryClient();
  return (student: number, change: (member: Member) => Member) =>
    cache.setQueryData<Lesson>(
      classLesson(id),
      (before) =>
        before && {
          ...before,
          members: before.members.map((one) => (one.id === student ? change(one) : one)),
        },
    );
}

export const useHearInClass = (id: number) => {
  const put = useCell(id);
  return useSave(
    async ({
      cell,
      ...body
    }: {
      cell: string;
      student_id: number;
      assignment_id: number;
      step_id: string;
      result: Schemas["Result"];
      key: string;
    }) => {
      const heard = await ask(
        api.POST("/api/classes/{id}/results", { params: { path: { id } }, body }),
      );
      put(body.student_id, (member) => {
        const was = member.cells[cell];
        return was
          ? {
              ...member,
              cells: {
                ...member.cells,
                [cell]: { ...was, result: heard.result, state: heard.state },
              },
            }
          : member;
      });
      return heard;
    },
    {
      touches: (_, { student_id }) => [
        ["student", student_id],
        ["lesson", student_id],
        ["class", id],
        ["studio"],
      ],
      turn: `class lesson ${id}`,
    },
  );
};

export const useJudge = (id: number) => {
  const put = useCell(id);
  return useSave(
    async (body: {
      unit_id: number;
      student_id: number;
      criterion: string;
      level: number | null;
      key: string;
    }) => {
      const judged = await ask(
        api.POST("/api/classes/{id}/marks", { params: { path: { id } }, body }),
      );
      put(body.student_id, (member) => ({ ...member, levels: judged.levels }));
      return judged;
    },
    { touches: () => [["class", id]], turn: `class lesson ${id}` },
  );
};

export const useFinishClass = (id: number) =>
  useSave(
    (send: boolean) =>
      ask(api.POST("/api/classes/{id}/finish", { params: { path: { id } }, body: { send } })),
    {
      into: () => classLesson(id),
      touches: everyone,
    },
  );
