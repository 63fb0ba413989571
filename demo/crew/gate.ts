import { isCleared, type GuestState } from '@core/journal';
import { homeCar, type GateAnswers } from '@core/venue/booking';
import { ANSWERS, ARRIVALS, FORGOTTEN, LEAVES_S, NO_SHOW_AFTER_S, PAPER_S } from './chance';
import { looksFor } from './classroom';
import type { Deed, Scene } from './scene';

const GATE = { by: 'Gate' } as const;
const DESK = { by: 'Desk' } as const;

/** When guests come. */
export interface Arrivals {
  /** When each was booked to come, whatever was said since, seconds since midnight. */
  readonly bookedS: (guest: string) => number;
  /** When some of them come, whatever chance would say; nothing for one who never does. */
  readonly comes?: ReadonlyMap<string, number | undefined>;
}

/** When a guest comes, seconds since midnight; nothing for one who does not. */
function comesS({ draw }: Scene, { guest }: GuestState, { bookedS: booked, comes }: Arrivals): number | undefined {
  if (comes?.has(guest.id)) return comes.get(guest.id);
  const bookedS = booked(guest.id);
  const kind = draw(`comes ${guest.id}`);
  const how = draw(`how ${guest.id}`);
  if (kind < ARRIVALS.noShowShare) return undefined;
  if (kind > 1 - ARRIVALS.lateShare) {
    return bookedS + Math.min(ARRIVALS.lateMostS, -ARRIVALS.lateMeanS * Math.log(1 - how));
  }
  return bookedS - how * ARRIVALS.earlyMostS;
}

/** Guests come, and their papers and helmets are seen to one after the other. */
export function* atGate(scene: Scene, arrivals: Arrivals): Iterable<Deed> {
  const { nowS, state, ripe, between, draw } = scene;
  for (const it of state.guests.values()) {
    const guest = it.guest.id;
    if (it.gone) continue;
    if (it.arrivedS === undefined) {
      const atS = comesS(scene, it, arrivals);
      if (atS === undefined) {
        if (nowS >= arrivals.bookedS(guest) + NO_SHOW_AFTER_S)
          yield { ...GATE, fields: { kind: 'guestNoShow', guest } };
      } else if (nowS >= atS) yield { ...GATE, fields: { kind: 'guestArrived', guest } };
      continue;
    }
    if (isCleared(it)) {
      const asked = Object.keys(it.answers).length > 0 || draw(`asked ${guest}`) < FORGOTTEN.asked;
      if (!asked) yield { ...GATE, fields: { kind: 'guestAnswered', guest, answers: answersOf(draw, guest) } };
      continue;
    }
    const kind = !it.waiver ? 'waiverSigned' : !it.licence ? 'licenceSeen' : 'helmetFitted';
    if (ripe(`${kind} ${guest}`, true, between(`${kind} ${guest}`, PAPER_S)))
      yield { ...GATE, fields: { kind, guest } };
  }
}

/** Nothing is made up of touch: bookings know some, and the crew does not see them. */
function answersOf(draw: Scene['draw'], guest: string): GateAnswers {
  const yes = (what: keyof typeof ANSWERS) => draw(`${what} ${guest}`) < ANSWERS[what];
  return {
    homeCar: homeCar.options[Math.floor(draw(`at home ${guest}`) * homeCar.options.length)]!,
    glasses: yes('glasses'),
    sick: yes('sick'),
    fast: yes('fast'),
  };
}

/** Whoever is missed is looked for, and whoever has driven everything is seen off. */
export function* atDesk(scene: Scene): Iterable<Deed> {
  const { state, ripe, between } = scene;
  yield* looksFor(scene, DESK.by);
  for (const it of state.guests.values()) {
    const guest = it.guest.id;
    if (it.gone || it.deskDone || it.arrivedS === undefined || it.drive !== undefined) continue;
    const through = it.guest.drives.every(({ id }) => ['done'].includes(state.drives.get(id)?.stage ?? ''));
    if (ripe(`leaves ${guest}`, through && !it.unwell, between(`leaves ${guest}`, LEAVES_S))) {
      yield { ...DESK, fields: { kind: 'deskDone', guest } };
    }
  }
}
