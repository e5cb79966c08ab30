// What a person chooses of the look, kept in the browser: light or dark, and
// the type size for the desk or for the piano bench.
type Looks = { dark: boolean; size: "desk" | "piano" };

const KEY = "stairwell-looks";
const systemDark = () => window.matchMedia("(prefers-color-scheme: dark)").matches;

export function looks(): Looks {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? "{}") as Partial<Looks>;
    return { dark: kept.dark ?? systemDark(), size: kept.size ?? "desk" };
  } catch {
    return { dark: systemDark(), size: "desk" };
  }
}

export function wear(chosen: Looks) {
  const root = document.documentElement;
  root.classList.toggle("dark", chosen.dark);
  root.dataset.size = chosen.size;
}

export function choose(change: Partial<Looks>) {
  const chosen = { ...looks(), ...change };
  localStorage.setItem(KEY, JSON.stringify(chosen));
  wear(chosen);
  return chosen;
}
