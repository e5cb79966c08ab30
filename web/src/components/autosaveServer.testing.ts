import { Trouble } from "../api/client";
import type { Stored } from "./useAutosave";

// A server with one text: it takes what is typed over its newest version, and says 409
// where it is not. `plug` is pulled, `ill` refuses, `slow` answers when told to.
export class Server {
  text = "old";
  version = 1;
  by: string | null = null;
  plug = false;
  ill = false;
  slow = false;
  seen: string[] = [];
  private held: (() => void)[] = [];

  async put({ value, version }: Stored<string>): Promise<{ version: number }> {
    if (this.slow) await new Promise<void>((go) => this.held.push(go));
    if (this.plug) throw trouble(0, "offline");
    this.seen.push(value);
    if (this.ill) throw trouble(422, "script");
    if (version !== this.version) throw trouble(409, "stale");
    this.text = value;
    this.version += 1;
    return { version: this.version };
  }

  answer() {
    for (const go of this.held.splice(0)) go();
  }
}

export const trouble = (status: number, code: string) =>
  new Trouble({ title: code, status, code, detail: code });
