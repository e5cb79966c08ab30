import { useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../client";
import { useLoad, useSave } from "./base";

// Who belongs to a studio, and how one comes in.

const PEOPLE = ["people"];

export type Role = Schemas["Role"];

export const usePeople = () => useLoad(PEOPLE, () => ask(api.GET("/api/people")));

/** Those of them who teach. */
export const useTeachers = () => usePeople().data?.people.filter((one) => one.role !== "assistant");

const usePeopleSave = <In>(save: (value: In) => Promise<Schemas["People"]>) =>
  useSave(save, {
    into: () => PEOPLE,
    touches: () => [["session"], ["students"], ["studio"], ["today"]],
  });

export const useInvite = () =>
  usePeopleSave((body: { role: Role; email?: string }) =>
    ask(api.POST("/api/people/invitations", { body })),
  );

export const useWithdrawInvitation = () =>
  usePeopleSave((id: number) =>
    ask(api.DELETE("/api/people/invitations/{id}", { params: { path: { id } } })),
  );

export const useChangePerson = () =>
  usePeopleSave(({ id, role }: { id: number; role: Role }) =>
    ask(api.PUT("/api/people/{id}", { params: { path: { id } }, body: { role } })),
  );

export const useRemovePerson = () =>
  usePeopleSave(({ id, to }: { id: number; to?: number }) =>
    ask(api.POST("/api/people/{id}/leave", { params: { path: { id } }, body: to ? { to } : {} })),
  );

export type NewStudio = {
  code: string;
  studio: string;
  time_zone: string;
  locale: string;
  name: string;
  email: string;
  password: string;
};

export const useOpenStudio = () =>
  useSave((body: NewStudio) => ask(api.POST("/api/open", { body })));

export const useInvitation = (token: string) =>
  useLoad(["invitation", token], () =>
    ask(api.GET("/api/invitations/{token}", { params: { path: { token } } })),
  );

export const useJoin = () =>
  useSave((body: { token: string; name: string; email: string; password: string }) =>
    ask(api.POST("/api/join", { body })),
  );

/** Everything on the screens belongs to the studio that was left. */
export const useChooseStudio = () => {
  const cache = useQueryClient();
  return useSave(async (id: number) => {
    const chosen = await ask(api.PUT("/api/session/studio", { body: { id } }));
    await cache.invalidateQueries({ queryKey: ["session"] });
    cache.removeQueries({ predicate: (query) => query.queryKey[0] !== "session" });
    return chosen;
  });
};
