// The engraver ships no types; this is what is used of it.
declare module "verovio/wasm" {
  export default function createModule(): Promise<unknown>;
}
declare module "verovio/wasm?url" {
  const url: string;
  export default url;
}
// How large that is; the build says it.
declare const ENGRAVER_BYTES: number;
declare module "verovio/esm" {
  export const LOG_ERROR: number;
  export function enableLog(level: number, module: unknown): void;
  export class VerovioToolkit {
    constructor(module: unknown);
    setOptions(options: Record<string, unknown>): void;
    select(selection: Record<string, string>): boolean;
    loadData(data: string): boolean;
    redoLayout(): void;
    renderToSVG(page: number): string;
  }
}
