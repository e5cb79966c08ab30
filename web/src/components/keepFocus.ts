// How many places one was at are remembered.
const REMEMBERED = 20;

// Milliseconds in which a place can find for itself where the focus belongs, as a week does for
// what was moved.
const LATER = 150;

// `own`: it stood where the place looks after the focus itself, for everything that moves there.
type Place = { page: string; at: HTMLElement; own: boolean };

/** The focus never falls to nowhere: where what had it is gone, closed or not to be used for a
 * moment, it goes back to where the person was before, in this place; else to its content. */
export function keepFocus() {
  let been: Place[] = [];
  let waiting = false;
  // Whoever leaves a field, by Esc or by a press beside it, wants no focus.
  let free = false;

  document.addEventListener("focusin", (event) => {
    const at = event.target as HTMLElement;
    free = false;
    const own = at.closest("[data-own-focus]") !== null;
    been = [...been.filter((one) => one.at !== at), { page: location.pathname, at, own }].slice(
      -REMEMBERED,
    );
  });
  document.addEventListener("focusout", (event) => {
    const at = event.target as HTMLElement;
    if (event.relatedTarget) return;
    // What is taken off the page loses the focus too, and is gone by then.
    queueMicrotask(() => {
      if (at.isConnected && !at.matches(":disabled")) free = true;
    });
  });

  const lost = () =>
    !free &&
    been.length > 0 &&
    (!document.activeElement || document.activeElement === document.body);
  const giveBack = () => {
    waiting = false;
    if (!lost()) return;
    const last = been[been.length - 1];
    if (last?.own && last.page === location.pathname && document.querySelector("[data-own-focus]"))
      return;
    // It can be used again in a moment, and then has the focus again.
    if (last?.page === location.pathname && last.at.isConnected && last.at.matches(":disabled")) {
      last.at.focus();
      return;
    }
    const here = been.filter(({ page }) => page === location.pathname).reverse();
    const back = here
      .map(({ at }) => (at.isConnected ? at : twin(at)))
      .find((one) => one && usable(one));
    (back ?? document.querySelector<HTMLElement>("main"))?.focus({ preventScroll: true });
  };
  // Who moves the focus on purpose does it first.
  new MutationObserver(() => {
    if (waiting || !lost()) return;
    waiting = true;
    setTimeout(giveBack, LATER);
  }).observe(document.documentElement, {
    childList: true,
    subtree: true,
    attributeFilter: ["disabled", "open"],
  });
}

/** What was drawn anew in place of something pressed. */
const twin = (gone: HTMLElement) =>
  gone.textContent
    ? [...document.querySelectorAll<HTMLElement>(gone.tagName)].find(
        (one) => one.textContent === gone.textContent,
      )
    : undefined;

// On a phone a field would bring up the keyboard.
const typed = (one: HTMLElement) =>
  one.matches("input, textarea") && matchMedia("(pointer: coarse)").matches;
const usable = (one: HTMLElement) =>
  !one.matches(":disabled") && one.getClientRects().length > 0 && !typed(one);
