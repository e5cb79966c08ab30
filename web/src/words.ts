import i18next from "i18next";
import { useEffect, useRef, useState } from "react";

// What is said on the screens. The texts are those of the locale files the server reads
// too; each language comes as a file when it is first spoken.

type Value = string | number | null | undefined;

const words = i18next.createInstance();
words.init({
  lng: "none",
  resources: {},
  // As the locale files have it: %{name}, and one and other beneath a key.
  interpolation: { prefix: "%{", suffix: "}", escapeValue: false, skipOnVariables: true },
  pluralSeparator: ".",
  returnNull: false,
  initAsync: false,
});

const addresses = (): Record<string, string> =>
  JSON.parse(document.querySelector<HTMLMetaElement>("meta[name=texts]")?.content ?? "{}");

/** A text in the language that is spoken; `count` chooses its plural form. */
export const t = (key: string, values: Record<string, Value> = {}): string => words.t(key, values);

/** The language that is spoken (BCP 47). */
export const language = () => words.language;

/** Puts texts in that came another way, as in tests. */
export const teach = (locale: string, texts: object) =>
  words.addResourceBundle(locale, "translation", texts, true, true);

/** Speaks a language from now on; its texts are fetched once. */
export async function speak(locale: string): Promise<void> {
  if (!words.hasResourceBundle(locale, "translation")) {
    const response = await fetch(addresses()[locale] ?? addresses().en ?? "");
    if (!response.ok) throw new Error(`no texts of ${locale}`);
    teach(locale, await response.json());
  }
  await words.changeLanguage(locale);
}

// Milliseconds until a first language is asked for again.
const AGAIN = 2_000;

/** Speaks a first language. Without any there is nothing to be said, so that it is asked
 * for until it comes. */
export async function begin(locale: string): Promise<void> {
  await speak(locale).catch(async () => {
    await new Promise((go) => setTimeout(go, AGAIN));
    await begin(locale);
  });
}

/** Speaks the language of whoever is here. Where it changes, the screens stay as they are,
 * with what is typed in them, until they can be drawn in the other one.
 * @return whether theirs is spoken, or one that was */
export function useSpoken(locale: string | undefined): boolean {
  const [spoken, setSpoken] = useState(language);
  const met = useRef(false);
  if (locale === spoken) met.current = true;
  useEffect(() => {
    if (!locale || locale === spoken) return;
    const go = () => {
      document.documentElement.lang = language();
      setSpoken(locale);
    };
    // Without its texts, what is spoken already goes on.
    speak(locale).then(go, go);
  }, [locale, spoken]);
  return !locale || met.current;
}
