// Milliseconds a line stands where nothing speaks, and after which a voice that never ends is not
// waited for.
const READ = 2500;
const LONGEST = 8000;

/** Says a line with a voice of the device itself, or leaves the time to read it.
 * @returns what stops it */
export function speak(line: string, onEnd: () => void): () => void {
  const voice = voiceHere();
  if (!voice) {
    const timer = window.setTimeout(onEnd, READ);
    return () => window.clearTimeout(timer);
  }
  const said = new SpeechSynthesisUtterance(line);
  said.voice = voice;
  said.lang = voice.lang;
  let over = false;
  const end = () => {
    if (over) return;
    over = true;
    window.clearTimeout(timer);
    onEnd();
  };
  const timer = window.setTimeout(end, LONGEST);
  said.onend = end;
  said.onerror = end;
  window.speechSynthesis.speak(said);
  return () => {
    over = true;
    window.clearTimeout(timer);
    window.speechSynthesis.cancel();
  };
}

/** One in the language of the page that needs no connection. */
function voiceHere() {
  if (!("speechSynthesis" in window)) return;
  const language = document.documentElement.lang.slice(0, 2) || "en";
  return window.speechSynthesis
    .getVoices()
    .find((one) => one.localService && one.lang.startsWith(language));
}
