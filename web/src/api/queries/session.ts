import { api, ask, rememberToken } from "../client";
import { useLoad, useSave } from "./base";

// Who is signed in.

export const useSession = () =>
  useLoad(["session"], async () => {
    const session = await ask(api.GET("/api/session"));
    rememberToken(session.csrf);
    return session;
  });

export const useSignIn = () =>
  useSave((body: { email: string; password: string; remember: boolean }) => ask(api.POST("/api/login", { body })));

export const useSignOut = () => useSave(() => ask(api.POST("/api/logout", { body: {} })));
