import type { Sounding } from "../api/queries";

/** Which hands sound; none leaves the click alone. */
export type Hands = "both" | "right" | "left" | "none";

type Options = {
  /** The place among the bars as played where it begins. */
  from: number;
  /** The last that sounds, where it is not all of them. */
  to?: number;
  hands: Hands;
  click: boolean;
  onBar: (at: number) => void;
  /** Which count of its bar sounds, from 1, those of the count-in too. */
  onCount?: (count: number) => void;
  onEnd: () => void;
};

// Seconds: how far ahead sounds are set, how often, and before the first one.
const AHEAD = 0.6;
const EVERY = 0.15;
const LEAD = 0.1;

type Event = { at: number; count?: number; sound: (context: AudioContext, when: number) => void };

/** Plays what the server computed: clicks and notes by the audio clock, and
 * says which bar has come. */
export class Player {
  private readonly context = new AudioContext();
  private readonly events: Event[];
  private readonly zero: number;
  private readonly timer: number;
  private readonly told = new Set<number>();
  private readonly over: number;
  private next = 0;
  private shown = -1;

  constructor(
    private readonly heard: Sounding,
    private readonly options: Options,
  ) {
    const start = heard.bars[options.from]?.at ?? 0;
    this.over =
      (options.to === undefined ? undefined : heard.bars[options.to + 1]?.at) ?? heard.seconds;
    // Only the first bar has a count-in of its own; elsewhere it is the same,
    // moved there.
    const countIn = counted(heard.count_in.map(({ at, strong }) => ({ at: at + start, strong })));
    const lead = countIn.length > 0 ? -(heard.count_in[0]?.at ?? 0) : 0;
    this.events = [
      ...countIn,
      ...(options.click ? heard.bars.flatMap((bar) => counted(bar.clicks)) : []),
      ...heard.notes
        .filter(({ hand }) => options.hands === "both" || hand === options.hands)
        .map(({ at, length, midi }) => ({ at, sound: sounding(midi, length) })),
    ]
      .filter(
        (event) =>
          event.at >= start - lead - 0.001 &&
          event.at < this.over - 0.001 &&
          (event.at >= start || countIn.some((one) => one === event)),
      )
      .sort((a, b) => a.at - b.at);
    this.zero = this.context.currentTime + LEAD + lead - start;
    this.timer = window.setInterval(() => this.tick(), EVERY * 1000);
    this.tick();
  }

  stop() {
    window.clearInterval(this.timer);
    for (const timer of this.told) window.clearTimeout(timer);
    if (this.context.state !== "closed") this.context.close();
  }

  private tick() {
    const now = this.context.currentTime - this.zero;
    for (
      let event = this.events[this.next];
      event && event.at < now + AHEAD;
      event = this.events[++this.next]
    )
      this.set(event, now);
    const bars = this.heard.bars;
    let at = Math.max(this.shown, this.options.from);
    while ((bars[at + 1]?.at ?? Number.POSITIVE_INFINITY) <= now + EVERY / 2) at++;
    if (at !== this.shown) this.options.onBar(at);
    this.shown = at;
    if (now > this.over) this.options.onEnd();
  }

  private set(event: Event, now: number) {
    event.sound(this.context, Math.max(event.at + this.zero, this.context.currentTime));
    const { count } = event;
    if (count && this.options.onCount)
      this.told.add(
        window.setTimeout(() => this.options.onCount?.(count), Math.max(0, event.at - now) * 1000),
      );
  }
}

/** Clicks with their number in the bar: a strong one begins it. */
function counted(clicks: { at: number; strong: boolean }[]): Event[] {
  let count = 0;
  return clicks.map(({ at, strong }) => {
    count = strong ? 1 : count + 1;
    return { at, count, sound: clicking(strong) };
  });
}

/** A short tick, higher and louder where a bar begins. */
const clicking = (strong: boolean) => (context: AudioContext, when: number) =>
  voice(context, when, {
    type: "square",
    hertz: strong ? 1760 : 1175,
    loud: strong ? 0.12 : 0.06,
    length: 0.03,
  });

/** A plain soft tone at the pitch of a MIDI note number (A4, 69, is 440 Hz). */
const sounding = (midi: number, length: number) => (context: AudioContext, when: number) =>
  voice(context, when, {
    type: "triangle",
    hertz: 440 * 2 ** ((midi - 69) / 12),
    loud: 0.16,
    length: length * 0.95,
  });

type Voice = { type: OscillatorType; hertz: number; loud: number; length: number };

function voice(context: AudioContext, when: number, { type, hertz, loud, length }: Voice) {
  const tone = new OscillatorNode(context, { type, frequency: hertz });
  const gain = new GainNode(context, { gain: 0 });
  gain.gain.setValueAtTime(0, when);
  gain.gain.linearRampToValueAtTime(loud, when + 0.008);
  gain.gain.exponentialRampToValueAtTime(0.001, when + Math.max(length, 0.03));
  tone.connect(gain).connect(context.destination);
  tone.start(when);
  tone.stop(when + Math.max(length, 0.03) + 0.02);
}
