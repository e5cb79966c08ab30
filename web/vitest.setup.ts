import { readFileSync } from "node:fs";
import { load } from "js-yaml";
import { language, speak, teach } from "./src/words.ts";

// Tests speak English, as the locale files have it.
const { en } = load(readFileSync("locales/en.yml", "utf8")) as { en: { web: object } };
teach("en", en.web);
if (language() !== "en") await speak("en");
