import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, ask, rememberToken, type Schemas } from "../client";
import { useLoad, useSave } from "./base";

// Who is signed in.

const SESSION = ["session"];
const SIGN_INS = ["sign-ins"];

export const useSession = () =>
  useLoad(SESSION, async () => {
    const session = await ask(api.GET("/api/session"));
    rememberToken(session.csrf);
    return session;
  });

export const useSignIn = () =>
  useSave(
    (body: { email: string; password: string; remember: boolean }) =>
      ask(api.POST("/api/login", { body })),
    {
      touches: () => [SESSION],
    },
  );

export const useForgotten = () =>
  useSave((body: { email: string }) => ask(api.POST("/api/forgotten", { body })));

export const useResetPassword = () =>
  useSave((body: { key: string; password: string }) =>
    ask(api.POST("/api/reset-password", { body })),
  );

export const useConfirmAddress = () =>
  useSave((body: { key: string }) => ask(api.POST("/api/confirm-address", { body })), {
    touches: () => [SESSION],
  });

export const useChangePassword = () =>
  useSave(
    (body: { password: string; new_password: string }) =>
      ask(api.POST("/api/change-password", { body })),
    {
      touches: () => [SESSION, SIGN_INS],
    },
  );

export const useChangeAddress = () =>
  useSave(
    (body: { email: string; password: string }) => ask(api.POST("/api/change-address", { body })),
    {
      touches: () => [SIGN_INS],
    },
  );

/** What was done with one's account lately. */
export const useSignIns = () => useLoad(SIGN_INS, () => ask(api.GET("/api/sign-ins")));

/** Nothing of what was seen stays, and the next person begins at the door. The
 * pages go before anything is asked for again: an answer to them would bring the
 * old session back. */
export const useSignOut = (everywhere = false) => {
  const cache = useQueryClient();
  const go = useNavigate();
  return useSave(
    async () => {
      const out = await ask(api.POST("/api/logout", { body: everywhere ? { everywhere } : {} }));
      go("/", { replace: true });
      cache.setQueryData<Schemas["Session"]>(
        SESSION,
        (session) => session && { ...session, account: null, studio: null },
      );
      cache.removeQueries({ predicate: (query) => query.queryKey[0] !== SESSION[0] });
      return out;
    },
    { touches: () => [SESSION] },
  );
};
